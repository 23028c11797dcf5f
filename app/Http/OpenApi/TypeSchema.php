<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;
use Parlay\Core\ListOf;

/** The schema of a field, from its PHP type. What is taken is what a constructor wants; what is given is what is public. */
final class TypeSchema
{
    /**
     * @param  class-string  $type
     * @return list<\ReflectionParameter>
     */
    public static function taken(string $type): array
    {
        return (new \ReflectionClass($type))->getConstructor()?->getParameters() ?? [];
    }

    /**
     * @param  class-string  $type
     * @return list<\ReflectionProperty>
     */
    public static function given(string $type): array
    {
        return array_values(array_filter(
            (new \ReflectionClass($type))->getProperties(\ReflectionProperty::IS_PUBLIC),
            static fn (\ReflectionProperty $p) => ! $p->isStatic(),
        ));
    }

    /**
     * The type of value that a field holds, once or many times; null for plain figures, texts and words of a list.
     *
     * @return class-string|null
     */
    public static function heldBy(\ReflectionParameter|\ReflectionProperty $field): ?string
    {
        $type = self::listed($field) ?? self::typeOf($field)->getName();

        return class_exists($type) && ! is_subclass_of($type, \BackedEnum::class) ? $type : null;
    }

    public static function of(\ReflectionParameter|\ReflectionProperty $field, bool $inQuery = false): OA\Schema
    {
        $type = self::typeOf($field);
        $listed = self::listed($field);
        $schema = match (true) {
            $listed !== null && ! $inQuery => ['type' => 'array', 'items' => new OA\Items(...self::named($listed))],
            $type->getName() === 'array' && ! $inQuery => throw new \LogicException(
                "{$field->getName()} of {$field->getDeclaringClass()?->getName()} does not say what it is a list of.",
            ),
            default => self::named($type->getName() === 'array' ? 'string' : $type->getName()),
        };
        if ($type->allowsNull() && ! $inQuery) {
            return isset($schema['ref'])
                ? new OA\Schema(oneOf: [new OA\Schema(...$schema), new OA\Schema(type: 'null')])
                : new OA\Schema(
                    ...[...$schema, 'nullable' => true, ...(isset($schema['enum']) ? ['enum' => [...$schema['enum'], null]] : [])],
                );
        }

        return new OA\Schema(...$schema);
    }

    private static function typeOf(\ReflectionParameter|\ReflectionProperty $field): \ReflectionNamedType
    {
        $type = $field->getType();

        return $type instanceof \ReflectionNamedType ? $type : throw new \LogicException($field->getName().' needs one type.');
    }

    private static function listed(\ReflectionParameter|\ReflectionProperty $field): ?string
    {
        return ($field->getAttributes(ListOf::class)[0] ?? null)?->newInstance()->type;
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
