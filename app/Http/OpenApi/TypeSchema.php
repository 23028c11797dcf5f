<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** The schema of a constructor parameter, from its PHP type. */
final class TypeSchema
{
    public static function of(\ReflectionParameter $p, bool $inQuery = false): OA\Schema
    {
        $type = $p->getType();
        if (! $type instanceof \ReflectionNamedType) {
            throw new \LogicException($p->getName().' needs one type.');
        }
        $list = $p->getAttributes(ListOf::class);
        $schema = $list !== [] && ! $inQuery
            ? ['type' => 'array', 'items' => new OA\Items(...self::named($list[0]->newInstance()->type))]
            : self::named($type->getName() === 'array' ? 'string' : $type->getName());
        if ($type->allowsNull() && ! $inQuery) {
            return isset($schema['ref'])
                ? new OA\Schema(oneOf: [new OA\Schema(...$schema), new OA\Schema(type: 'null')])
                : new OA\Schema(...[...$schema, 'nullable' => true, ...(isset($schema['enum']) ? ['enum' => [...$schema['enum'], null]] : [])]);
        }

        return new OA\Schema(...$schema);
    }

    /** @return array{ref: string}|array{type: string, enum?: list<string>} */
    private static function named(string $type): array
    {
        if (is_subclass_of($type, \BackedEnum::class)) {
            return ['type' => 'string', 'enum' => array_map(static fn (\BackedEnum $c) => (string) $c->value, $type::cases())];
        }

        return match ($type) {
            'int' => ['type' => 'integer'],
            'float' => ['type' => 'number'],
            'bool' => ['type' => 'boolean'],
            'string' => ['type' => 'string'],
            'mixed' => ['type' => 'object'],
            default => ['ref' => '#/components/schemas/'.class_basename($type)],
        };
    }
}
