<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Buildings\PartLay;
use App\Civil\CivilLay;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\PackedPolyline;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Stakeout\Aims\LineHeights;

/** The line that is staked, made of the one that was touched: from the end wished, and beside it. */
final class StakedLine
{
    private const MOST_PARALLELS = 30;

    private const MOST_WORDS = 60;

    /** metres */
    private const FARTHEST = 1000.0;

    /** @throws NoConstruction where a parallel is lost in a bend */
    public static function laid(PackedPolyline $touched, LineLay $lay): PackedPolyline
    {
        self::check($lay);
        $line = $touched->polyline();

        return PackedPolyline::of(self::beside($lay->reversed ? $line->reversed() : $line, $lay->current()->offset));
    }

    /** As it is kept. */
    public static function row(LineLay|CivilLay|PartLay $lay): string
    {
        return json_encode($lay, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    /** The parallel so far to the right, as seen along the line. */
    private static function beside(Polyline $line, float $right): Polyline
    {
        return $right === 0.0 ? $line : $line->parallel($right);
    }

    private static function check(LineLay $lay): void
    {
        if ($lay->parallels === [] || count($lay->parallels) > self::MOST_PARALLELS) {
            throw new \DomainException('A line has itself and at most '.(self::MOST_PARALLELS - 1).' parallels.');
        }
        if (! isset($lay->parallels[$lay->parallel])) {
            throw new \DomainException('There is no such parallel of the line any more. Choose another.');
        }
        foreach ($lay->parallels as $p) {
            if (abs($p->offset) > self::FARTHEST || abs($p->verticalOffset) > self::FARTHEST) {
                throw new \DomainException('A parallel lies within a kilometre of its line.');
            }
            if (mb_strlen($p->name) > self::MOST_WORDS || preg_match('~[\x00-\x1F\x7F]~', $p->name) === 1) {
                throw new \DomainException('A parallel’s name has at most '.self::MOST_WORDS.' characters, on one line.');
            }
        }
        if ($lay->heights === LineHeights::One && $lay->elevation === null) {
            throw new \DomainException('Type the height that the line has.');
        }
    }
}
