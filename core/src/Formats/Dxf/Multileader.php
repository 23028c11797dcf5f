<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Designs\ShapeKind;

/**
 * A leader with several lines: its lines, their landing, and its text, out of the nested context of the record.
 *
 * @phpstan-import-type Piece from Pieces
 */
final class Multileader
{
    /** @return list<Piece> */
    public static function of(Record $r, DxfText $text): array
    {
        $pieces = [];
        $landing = null;
        /** @var list<array{float, float, float}> $line */
        $line = [];
        $in = '';
        $words = null;
        $place = null;
        foreach ($r->pairs() as $code => $value) {
            $word = is_string($value) ? trim($value) : $value;
            if ($code === 302 && $word === 'LEADER{') {
                [$in, $landing] = ['leader', null];
            } elseif ($code === 304 && $word === 'LEADER_LINE{') {
                [$in, $line] = ['line', []];
            } elseif ($code === 305) {
                /** @var array{float, float, float}|null $landing  filled field by field */
                array_push($pieces, ...Polylines::open($landing === null ? $line : [...$line, $landing]));
                $in = 'leader';
            } elseif ($code === 303) {
                $in = '';
            } elseif ($code === 304 && $in === '') {
                $words ??= (string) $word;
            } elseif (in_array($code, [10, 20, 30], true) && $in === 'line') {
                $line = self::coordinate($line, $code, $r->number($code, $value));
            } elseif (in_array($code, [10, 20, 30], true) && $in === 'leader') {
                $landing ??= [0.0, 0.0, 0.0];
                $landing[intdiv($code, 10) - 1] = $r->number($code, $value);
            } elseif (in_array($code, [12, 22, 32], true) && $in === '') {
                $place ??= [0.0, 0.0, 0.0];
                $place[intdiv($code, 10) - 1] = $r->number($code, $value);
            }
        }
        if ($words !== null && $words !== '' && $place !== null) {
            $pieces[] = [ShapeKind::Text, [...$place, $r->real(41, 1.0), 0.0, 0.0], $text->plainMtext($words)];
        }

        return $pieces;
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @return list<array{float, float, float}>
     */
    private static function coordinate(array $points, int $code, float $number): array
    {
        if ($code === 10) {
            $points[] = [$number, 0.0, 0.0];
        } elseif ($points !== []) {
            $points[count($points) - 1][intdiv($code, 10) - 1] = $number;
        }

        /** @var list<array{float, float, float}> $points  filled field by field */
        return $points;
    }
}
