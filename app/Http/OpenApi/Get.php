<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use App\Http\Page;
use OpenApi\Attributes as OA;

#[\Attribute(\Attribute::TARGET_METHOD)]
final class Get extends OA\Get
{
    use Describes;

    /**
     * @param  class-string|null  $returns
     *  @param  class-string|null  $query
     */
    public function __construct(
        string $path,
        string $summary,
        ?string $returns = null,
        bool $list = false,
        ?string $query = null,
        string $media = 'application/json',
    ) {
        parent::__construct(
            path: '/api/v1'.$path, summary: $summary, parameters: self::parametersOf($path, $query),
            responses: self::responsesOf($returns, $list, $media, $query === Page::class),
        );
    }
}
