<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** The tags of one entity, with the line it begins in. A POLYLINE holds its vertices. */
final class Entity
{
    /** @var list<Entity> */
    public array $vertices = [];

    /** @var list<array{int, string, int}> code, value, line */
    public array $tags = [];

    public function __construct(
        public readonly string $type,
        public readonly int $number,
    ) {}

    public function text(int $code, string $default = ''): string
    {
        foreach ($this->tags as [$c, $value]) {
            if ($c === $code) {
                return trim($value);
            }
        }

        return $default;
    }

    public function integer(int $code, int $default = 0): int
    {
        return (int) $this->text($code, (string) $default);
    }

    /** @throws UnreadableDrawing where it is no finite number */
    public function real(int $code, float $default = 0.0): float
    {
        foreach ($this->tags as [$c, $value, $line]) {
            if ($c === $code) {
                return self::number($value, $line);
            }
        }

        return $default;
    }

    public function has(int $code): bool
    {
        foreach ($this->tags as [$c]) {
            if ($c === $code) {
                return true;
            }
        }

        return false;
    }

    public static function number(string $value, int $line): float
    {
        $value = trim($value);
        if (! is_numeric($value) || ! is_finite((float) $value) || abs((float) $value) > 1e15) {
            throw UnreadableDrawing::badNumber($line, $value);
        }

        return (float) $value;
    }
}
