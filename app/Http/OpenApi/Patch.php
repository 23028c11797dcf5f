<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

#[\Attribute(\Attribute::TARGET_METHOD)]
final class Patch extends OA\Patch
{
    use Describes;

    /**
     * @param  class-string|null  $body
     *  @param  class-string|null  $returns
     */
    public function __construct(string $path, string $summary, ?string $body = null, ?string $returns = null, bool $list = false)
    {
        parent::__construct(
            path: '/api/v1'.$path, summary: $summary, parameters: self::parametersOf($path, null), requestBody: self::bodyOf($body),
            responses: self::responsesOf($returns, $list, 'application/json'),
        );
    }
}
