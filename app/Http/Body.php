<?php

declare(strict_types=1);

namespace App\Http;

use App\Typed\InvalidValues;
use App\Typed\Values;
use Illuminate\Http\Request;

/** Reads what a request says, in its JSON or its query, into the type that the address takes. */
final class Body
{
    /**
     * @template T of object
     *  @param  class-string<T>  $class
     *  @return T
     *  @throws InvalidValues
     */
    public static function read(Request $request, string $class): object
    {
        $data = in_array($request->method(), ['GET', 'DELETE'], true)
            ? self::fromQuery($request, $class)
            : json_decode($request->getContent() ?: '{}', true);
        if (! is_array($data) || ($data !== [] && array_is_list($data))) {
            throw new InvalidValues(['body' => 'A JSON object is expected.']);
        }

        return Values::of($data, $class);
    }

    /**
     * Query strings carry text; numbers and truth are made of it where the body wants them.
     *  @param  class-string  $class
     *  @return array<array-key, mixed>
     */
    private static function fromQuery(Request $request, string $class): array
    {
        $data = $request->query->all();
        foreach ((new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
            $name = $parameter->getName();
            $type = $parameter->getType();
            $text = $data[$name] ?? null;
            if (! is_string($text) || ! $type instanceof \ReflectionNamedType) {
                continue;
            }
            $data[$name] = match ($type->getName()) {
                'int', 'float' => is_numeric($text) ? $text + 0 : $text,
                'bool' => ['true' => true, '1' => true, 'false' => false, '0' => false][$text] ?? $text,
                'array' => $text === '' ? [] : explode(',', $text),
                default => $text,
            };
        }

        return $data;
    }
}
