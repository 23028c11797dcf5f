<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

/** The texts that an insertion of a block fills in, by their tag, as they are kept beside a layer's shapes. */
final class Attributes
{
    /** Where an insertion keeps the index of its attributes among the layer's strings, less one; 0 where it has none. */
    private const AT = 5;

    /** @param  array<string, string>  $attributes */
    public static function packed(array $attributes): string
    {
        return json_encode((object) $attributes, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
    }

    /** The string as it is packed; empty where the shape has none. */
    public static function textOf(DrawingLayer $layer, Shape $s): string
    {
        return $s->kind === ShapeKind::Insert && ($s->v[self::AT] ?? 0.0) > 0.0 ? $layer->strings[(int) $s->v[self::AT] - 1] ?? '' : '';
    }

    /** @return array<string, string> tags that look like numbers are numbers as keys */
    public static function of(DrawingLayer $layer, Shape $s): array
    {
        $text = self::textOf($layer, $s);
        $read = $text === '' ? [] : json_decode($text, true);

        return is_array($read) ? array_map(strval(...), $read) : [];
    }
}
