<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** What the attributes for reading and writing share: a path with its parameters, one body, one answer. */
trait Describes
{
    /**
     * @param  class-string|null  $query  body class whose fields are query parameters
     * @return list<OA\Parameter>
     */
    private static function parametersOf(string $path, ?string $query): array
    {
        preg_match_all('~\{(\w+)\}~', $path, $m);
        $parameters = array_map(
            static fn (string $name) => new OA\Parameter(name: $name, in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
            $m[1],
        );
        foreach ($query === null ? [] : ((new \ReflectionClass($query))->getConstructor()?->getParameters() ?? []) as $p) {
            $parameters[] = new OA\Parameter(
                name: $p->getName(), in: 'query', required: ! $p->isOptional(), schema: TypeSchema::of($p, inQuery: true),
            );
        }

        return $parameters;
    }

    /**
     * @param  class-string|null  $returns
     *  @return list<OA\Response>
     */
    private static function responsesOf(?string $returns, bool $list, string $media, bool $paged = false): array
    {
        $ref = $returns === null ? null : '#/components/schemas/'.class_basename($returns);
        $content = match (true) {
            $media !== 'application/json' => new OA\MediaType(mediaType: $media, schema: new OA\Schema(type: 'string', format: 'binary')),
            $ref === null => null,
            $list => new OA\JsonContent(type: 'array', items: new OA\Items(ref: $ref)),
            default => new OA\JsonContent(ref: $ref),
        };

        return [
            $content === null
                ? new OA\Response(response: 204, description: 'Done')
                : new OA\Response(response: 200, description: 'Done', content: $content, headers: $paged ? [
                    new OA\Header(
                        header: 'Link', description: 'Where the next part is, rel="next", where this one is as long as was asked for', schema: new OA\Schema(type: 'string'),
                    ),
                ] : null),
            new OA\Response(
                response: 'default', description: 'What was wrong, where, and what to do',
                content: new OA\JsonContent(ref: '#/components/schemas/Problem'),
            ),
        ];
    }

    /** @param  class-string|null  $body */
    private static function bodyOf(?string $body): ?OA\RequestBody
    {
        return $body === null
            ? null
            : new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/'.class_basename($body)));
    }
}
