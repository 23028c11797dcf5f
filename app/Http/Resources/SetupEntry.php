<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use App\Models\Setup;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class SetupEntry
{
    /**
     * @param  list<ResidualResource>  $residuals
     *  @param  list<string>  $cautions
     */
    public function __construct(
        public AcceptedSetup $setup,
        #[ListOf(ResidualResource::class)]
        public array $residuals,
        #[ListOf('string')]
        public array $cautions,
        public ?float $fit,
    ) {}

    public static function of(Setup $s): self
    {
        return new self(
            AcceptedSetup::of($s),
            array_map(ResidualResource::of(...), $s->found()->residuals), $s->found()->cautions, $s->found()->fit,
        );
    }
}
