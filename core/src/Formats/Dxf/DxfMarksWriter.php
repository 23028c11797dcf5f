<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Reports\IssuedMark;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\Side;

/**
 * Writes marks of a report into a DXF: the design, what was staked and what was built on layers of their own, the deviations as arrows from the design, drawn larger
 * than they are, and their figures as texts. Layers say how a mark came out, so that those that are out can be looked at alone.
 */
final class DxfMarksWriter
{
    private const TEXT_HEIGHT = 0.2;

    /** Between two lines of text. */
    private const LINE = 0.32;

    /** Of each verdict the end of its layers, and their colour in the format's list: none tells by colour alone. */
    private const VERDICTS = ['in' => ['IN', 3], 'out' => ['OUT', 1], 'close' => ['TOO-CLOSE', 30], 'undecided' => ['NOT-JUDGED', 8]];

    private const KINDS = ['stake' => 'STAKED', 'as_built' => 'AS-BUILT'];

    /**
     * @param  list<IssuedMark>  $marks  staked and as-built
     * @param  float  $times  so many times larger than they are are the arrows
     * @param  LengthStyle  $style  of the figures; the drawing is in metres
     * @return \Generator<string>
     */
    public static function pieces(array $marks, float $times, LengthStyle $style): \Generator
    {
        yield from DxfFrame::coloured(self::layers());
        foreach ($marks as $m) {
            $layer = self::KINDS[$m->kind] ?? 'AS-BUILT';
            [$found, $design] = [$m->foundAt(), $m->designAt()];
            yield DxfFrame::point($layer, $found).self::text("$layer-NAMES", self::beside($found, 0), $m->name);
            yield $design === null ? '' : DxfFrame::point('DESIGN', $design).self::deviation($m, $design, $times, $style);
        }
        yield $marks === [] ? '' : self::legend($marks, $times);
        yield DxfFrame::tail();
    }

    /** @return list<array{string, int}> */
    private static function layers(): array
    {
        $layers = [['LEGEND', 7]];
        foreach (['DESIGN' => 4, 'STAKED' => 5, 'AS-BUILT' => 6] as $layer => $colour) {
            array_push($layers, [$layer, $colour], [$layer.DxfFrame::WITHOUT, $colour], ["$layer-NAMES", $colour]);
        }
        foreach (self::VERDICTS as [$word, $colour]) {
            array_push($layers, ["ARROWS-$word", $colour], ["FIGURES-$word", $colour]);
        }

        return $layers;
    }

    private static function text(string $layer, Position $p, string $text): string
    {
        return DxfFrame::label($layer, $p, self::TEXT_HEIGHT, $text);
    }

    private static function beside(Position $p, int $line): Position
    {
        return new Position($p->northing + self::TEXT_HEIGHT - $line * self::LINE, $p->easting + self::TEXT_HEIGHT, $p->elevation);
    }

    /** The arrow lies in the design's height: what is too high or too low stands in its figures. */
    private static function deviation(IssuedMark $m, Position $design, float $times, LengthStyle $style): string
    {
        $d = $m->deviation();
        if ($d === null) {
            return '';
        }
        [$word] = self::VERDICTS[$m->verdict] ?? self::VERDICTS['undecided'];
        $figures = implode(', ', array_filter([
            Side::Northing->length($d->northing, $style), Side::Easting->length($d->easting, $style), $d->height === null ? '' : Side::Height->length($d->height, $style),
        ]));

        return self::arrow("ARROWS-$word", $design, $d->northing * $times, $d->easting * $times).self::text("FIGURES-$word", self::beside($m->foundAt(), 1), $figures);
    }

    private static function arrow(string $layer, Position $from, float $north, float $east): string
    {
        $length = hypot($north, $east);
        if ($length < 1e-9) {
            return '';
        }
        $tip = new Position($from->northing + $north, $from->easting + $east, $from->elevation);
        $lines = self::line($layer, $from, $tip);
        foreach ([150, -150] as $degrees) {
            $azimuth = atan2($east, $north) + deg2rad($degrees);
            $lines .= self::line($layer, $tip, new Position($tip->northing + 0.2 * $length * cos($azimuth), $tip->easting + 0.2 * $length * sin($azimuth), $from->elevation));
        }

        return $lines;
    }

    private static function line(string $layer, Position $a, Position $b): string
    {
        return DxfFrame::tags([
            0, 'LINE', 8, DxfFrame::layer($layer), 10, DxfFrame::number($a->easting), 20, DxfFrame::number($a->northing), 30, DxfFrame::number($a->elevation ?? 0.0),
            11, DxfFrame::number($b->easting), 21, DxfFrame::number($b->northing), 31, DxfFrame::number($b->elevation ?? 0.0),
        ]);
    }

    /**
     * Below the southernmost mark, beginning at the westernmost.
     *
     * @param  non-empty-list<IssuedMark>  $marks
     */
    private static function legend(array $marks, float $times): string
    {
        $south = min(array_map(static fn (IssuedMark $m): float => (float) $m->found[0], $marks));
        $west = min(array_map(static fn (IssuedMark $m): float => (float) $m->found[1], $marks));

        return self::text('LEGEND', new Position($south - 5.0, $west), sprintf('Arrows lead from the design and are %g times as long as the deviation', $times));
    }
}
