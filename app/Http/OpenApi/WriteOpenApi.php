<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Illuminate\Console\Command;

final class WriteOpenApi extends Command
{
    protected $signature = 'parlay:openapi {file}';

    protected $description = 'Writes the OpenAPI description to a file';

    public function handle(): int
    {
        file_put_contents((string) $this->argument('file'), Description::json());

        return self::SUCCESS;
    }
}
