<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Illuminate\Support\Str;
use OpenApi\Analysis;
use OpenApi\Annotations\Operation as Described;
use OpenApi\Generator;

/** Names every operation by verb and subject (listAlignments, computeSlopeStakes), as clients that are generated call it. */
final class NameOperations
{
    private const BY_METHOD = ['index' => 'list', 'show' => 'get', 'store' => 'create', 'update' => 'update', 'change' => 'change', 'destroy' => 'delete'];

    private const BY_ENDING = [
        'preview' => 'preview', 'deletion' => 'delete', 'inspection' => 'inspect', 'adoption' => 'adopt', 'dropping' => 'drop',
        'setting' => 'set', 'unpacking' => 'unpack', 'import' => 'import',
    ];

    /** What an address ends with that is a verb by itself. */
    private const VERBS = ['turn', 'measure', 'track', 'search', 'cancel', 'cut', 'open', 'undo', 'redo'];

    public function __invoke(Analysis $analysis): void
    {
        foreach ($analysis->getAnnotationsOfType(Described::class) as $described) {
            if ($described instanceof Described && ! Generator::isDefault($described->path)) {
                $described->operationId = self::of((string) $described->method, (string) $described->path, (string) $described->_context?->method);
            }
        }
    }

    /** @param  string  $verb  of HTTP */
    public static function of(string $verb, string $path, string $method): string
    {
        $parts = self::parts($path);
        $last = array_key_last($parts);
        $words = explode('-', (string) ($parts[$last] ?? ''));
        $ending = end($words);
        if (isset(self::BY_ENDING[$ending]) && count($words) > 1) {
            $parts[$last] = implode('-', array_slice($words, 0, -1));

            return self::joined(self::BY_ENDING[$ending], $parts);
        }
        if ($words[0] === 'compute') {
            $parts[$last] = implode('-', array_slice($words, 1));

            return self::joined('compute', $parts);
        }
        if ($verb === 'post' && in_array($words[0], self::VERBS, true)) {
            return self::joined($words[0], array_slice($parts, 0, -1) ?: ['project']);
        }
        if ($method === 'store') {
            $parts[$last] = Str::singular((string) $parts[$last]);
        }

        return self::joined(self::BY_METHOD[$method] ?? ['get' => 'get', 'post' => 'make', 'put' => 'update', 'patch' => 'change', 'delete' => 'delete'][$verb], $parts);
    }

    /** @return list<string> what is said between the slashes; of what is named by a number one is meant */
    private static function parts(string $path): array
    {
        $segments = array_values(array_filter(explode('/', str_replace(['/api/v1', '.'], ['', '-'], $path))));
        // All but the list of projects itself is within one.
        $segments = count($segments) > 2 && $segments[0] === 'projects' ? array_slice($segments, 2) : $segments;
        $parts = [];
        foreach ($segments as $k => $segment) {
            if (! str_starts_with($segment, '{')) {
                $parts[] = str_starts_with($segments[$k + 1] ?? '', '{') ? Str::singular($segment) : $segment;
            } elseif (str_contains($segment, '}-')) {
                $parts[] = Str::after($segment, '}-');
            }
        }

        return $parts;
    }

    /** @param  list<string>  $parts */
    private static function joined(string $verb, array $parts): string
    {
        return $verb.Str::studly(implode('-', $parts));
    }
}
