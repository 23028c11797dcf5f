<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

/** The texts that an insertion of a block fills in, by their tag, or a line's by their field, as they are kept beside a layer's shapes. */
final class Attributes
{
    /** Where a shape keeps the index of its attributes among the layer's strings, less one; 0 where it has none. */
    private const OF_INSERT = 5;

    public const OF_LINE = 6;

    /** @param  array<string, string>  $attributes */
    public static function packed(array $attributes): string
    {
        return json_encode((object) $attributes, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
    }

    /** Where the string stands among those of its layer; null where the shape has none. */
    public static function indexOf(Shape $s): ?int
    {
        $at = match ($s->kind) {
            ShapeKind::Insert => self::OF_INSERT,
            ShapeKind::Line => self::OF_LINE,
            default => null,
        };

        return $at !== null && ($s->v[$at] ?? 0.0) > 0.0 ? (int) $s->v[$at] - 1 : null;
    }

    /** The string as it is packed; empty where the shape has none. */
    public static function textOf(DrawingLayer $layer, Shape $s): string
    {
        return $layer->strings[self::indexOf($s) ?? -1] ?? '';
    }

    /** @return array<string, string> tags that look like numbers are numbers as keys */
    public static function of(DrawingLayer $layer, Shape $s): array
    {
        return self::unpacked(self::textOf($layer, $s));
    }

    /** @return array<string, string> of a string as it is packed */
    public static function unpacked(string $text): array
    {
        $read = $text === '' ? [] : json_decode($text, true);

        return is_array($read) ? array_map(strval(...), $read) : [];
    }
}
