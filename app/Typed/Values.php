<?php

declare(strict_types=1);

namespace App\Typed;

use Parlay\Core\Formerly;
use Parlay\Core\ListOf;

/**
 * Makes a value object of plain fields, as they come from a request or are stored: its constructor says which there are, of which type,
 * and which may be missing. Unknown fields are refused, so that a misspelt one is not lost in silence.
 */
final class Values
{
    private const LONGEST_TEXT = 20_000;

    /**
     * @template T of object
     *  @param  array<array-key, mixed>  $data
     *  @param  class-string<T>  $class
     *  @return T
     *  @throws InvalidValues
     */
    public static function of(array $data, string $class): object
    {
        $errors = [];

        return self::build($class, $data, '', $errors) ?? throw new InvalidValues($errors);
    }

    /**
     * @template T of object
     *  @param  class-string<T>  $class
     *  @param  array<array-key, mixed>  $data
     *  @param  array<string, string>  $errors
     *  @return T|null
     */
    private static function build(string $class, array $data, string $path, array &$errors): ?object
    {
        $arguments = $known = [];
        $before = count($errors);
        foreach ((new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
            $name = $parameter->getName();
            $field = $path.$name;
            $given = self::givenAs($parameter, $data);
            if ($given === null) {
                if ($parameter->isDefaultValueAvailable()) {
                    $arguments[$name] = $parameter->getDefaultValue();
                } else {
                    $errors[$field] = "“{$field}” is missing.";
                }

                continue;
            }
            $known[] = $given;
            $arguments[$name] = self::value($data[$given], $parameter, $field, $errors);
        }
        foreach (array_diff(array_keys($data), $known) as $unknown) {
            $errors[$path.$unknown] ??= '“'.mb_substr($path.$unknown, 0, 60).'” is not a field of this request.';
        }

        return count($errors) > $before ? null : new $class(...$arguments);
    }

    /**
     * The field by which a parameter is given: its name, or one that it had when the record was stored; null where it is missing.
     *
     * @param  array<array-key, mixed>  $data
     */
    private static function givenAs(\ReflectionParameter $parameter, array $data): ?string
    {
        $former = array_map(static fn (\ReflectionAttribute $a): string => $a->newInstance()->name, $parameter->getAttributes(Formerly::class));
        foreach ([$parameter->getName(), ...$former] as $name) {
            if (array_key_exists($name, $data)) {
                return $name;
            }
        }

        return null;
    }

    /** @param  array<string, string>  $errors */
    private static function value(mixed $value, \ReflectionParameter $parameter, string $field, array &$errors): mixed
    {
        $type = $parameter->getType();
        if (! $type instanceof \ReflectionNamedType) {
            throw new \LogicException("$field of a value needs one type.");
        }
        if ($value === null && $type->allowsNull()) {
            return null;
        }
        $list = $parameter->getAttributes(ListOf::class);
        if ($type->getName() === 'array' && $list !== []) {
            return self::listed($value, $list[0]->newInstance()->type, $field, $errors);
        }

        return self::single($value, $type->getName(), $field, $errors);
    }

    /**
     * @param  array<string, string>  $errors
     *  @return list<mixed>
     */
    private static function listed(mixed $value, string $type, string $field, array &$errors): array
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) > 100_000) {
            $errors[$field] = "“{$field}” must be a list.";

            return [];
        }
        $items = [];
        foreach ($value as $i => $item) {
            $items[] = self::single($item, $type, "$field.$i", $errors);
        }

        return $items;
    }

    /** @param  array<string, string>  $errors */
    private static function single(mixed $value, string $type, string $field, array &$errors): mixed
    {
        if (is_subclass_of($type, \BackedEnum::class)) {
            $case = is_string($value) ? $type::tryFrom($value) : null;
            if ($case === null) {
                $errors[$field] = "“{$field}” must be one of: ".implode(', ', array_column($type::cases(), 'value')).'.';
            }

            return $case;
        }
        if (class_exists($type)) {
            if (is_array($value)) {
                return self::build($type, $value, $field.'.', $errors);
            }
            $errors[$field] = "“{$field}” must be an object.";

            return null;
        }
        $good = match ($type) {
            'string' => is_string($value) && mb_strlen($value) <= self::LONGEST_TEXT,
            'int' => is_int($value),
            'float' => (is_int($value) || is_float($value)) && is_finite((float) $value) && abs((float) $value) <= 1e9,
            'bool' => is_bool($value),
            default => throw new \LogicException("Values hold no $type."),
        };
        if (! $good) {
            $errors[$field] = "“{$field}” must be ".[
                'string' => 'a text of at most 20,000 characters', 'int' => 'a whole number', 'float' => 'a number not beyond 1e9',
                'bool' => 'true or false',
            ][$type].'.';

            return null;
        }

        return $type === 'float' ? (float) $value : $value;
    }
}
