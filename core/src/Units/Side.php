<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** On which side of where it should be something lies: a small difference with its sign in a word. */
enum Side: string
{
    case Northing = 'northing';
    case Easting = 'easting';
    case Across = 'across';
    case Length = 'length';
    case Height = 'height';
    /** of a line, looking along it */
    case Line = 'line';
    /** of the ground or pole against a design height: what is too high is cut */
    case Grade = 'grade';

    /** The length with its side in a word. */
    public function length(float $metres, LengthStyle $style): string
    {
        return $this->sided($metres, $style->formatDeviation(abs($metres)), $style->formatDeviation(0.0));
    }

    /**
     * @param  float  $tolerance  metres
     * @param  bool  $out  what was said of it: it is written so that this shows
     */
    public function judged(float $metres, float $tolerance, bool $out, LengthStyle $style): string
    {
        return $this->sided($metres, $style->formatJudged(abs($metres), $tolerance, $out), $style->formatDeviation(0.0));
    }

    /** The angle with its side in a word. */
    public function angle(float $radians, AngleStyle $style): string
    {
        return $this->sided($radians, $style->formatSmall(abs($radians)), $style->formatSmall(0.0));
    }

    /** What rounds to nothing lies on no side. */
    private function sided(float $value, string $figure, string $nothing): string
    {
        return $figure === $nothing ? $figure : $figure.' '.$this->words()[$value < 0 ? 0 : 1];
    }

    /** @return array{string, string} below zero and above it */
    private function words(): array
    {
        return match ($this) {
            self::Northing => ['south', 'north'],
            self::Easting => ['west', 'east'],
            self::Across => ['left', 'right'],
            self::Length => ['short', 'long'],
            self::Height => ['low', 'high'],
            self::Line => ['left of it', 'right of it'],
            self::Grade => ['fill', 'cut'],
        };
    }
}
