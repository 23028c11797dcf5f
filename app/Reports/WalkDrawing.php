<?php

declare(strict_types=1);

namespace App\Reports;

use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use Illuminate\Support\Collection;

/** A sketch of a worklist as SVG: its points in the order of the walk, and the control around them. */
final class WalkDrawing
{
    private const WIDTH = 1000.0;

    private const HEIGHT = 640.0;

    private const MARGIN = 50.0;

    /** With more points than this only every so many are numbered. */
    private const NAMED = 120;

    /**
     * @param  Collection<int, StakeoutPoint>  $points  in order
     * @param  Collection<int, ControlPoint>  $control
     * @return string|null null where there is no point
     */
    public static function svg(Collection $points, Collection $control): ?string
    {
        if ($points->isEmpty()) {
            return null;
        }
        [$west, $east] = [$points->min('easting'), $points->max('easting')];
        [$south, $north] = [$points->min('northing'), $points->max('northing')];
        $scale = min(
            (self::WIDTH - 2 * self::MARGIN) / max($east - $west, 1.0), (self::HEIGHT - 2 * self::MARGIN) / max($north - $south, 1.0),
        );
        $at = static fn (StakeoutPoint|ControlPoint $p): array => [
            round(self::WIDTH / 2 + ($p->easting - ($west + $east) / 2) * $scale, 2),
            round(self::HEIGHT / 2 - ($p->northing - ($south + $north) / 2) * $scale, 2),
        ];
        $way = implode(' ', $points->map(static fn (StakeoutPoint $p) => implode(',', $at($p)))->all());
        $parts = ["<polyline points=\"$way\" fill=\"none\" stroke=\"#2f5d8c\" stroke-width=\"1.2\"/>"];
        $every = (int) ceil($points->count() / self::NAMED);
        foreach ($points as $i => $p) {
            [$x, $y] = $at($p);
            $name = $i % $every === 0 ? '<text x="'.($x + 6).'" y="'.($y - 5).'" font-size="13">'
                .htmlspecialchars(mb_strimwidth($p->name, 0, 18, '…'), ENT_XML1).'</text>' : '';
            $parts[] = "<circle cx=\"$x\" cy=\"$y\" r=\"4\" fill=\"#fff\" stroke=\"#1f1c17\" stroke-width=\"1.5\"/>$name";
        }
        foreach ($control as $c) {
            [$x, $y] = $at($c);
            if ($x > 0 && $x < self::WIDTH && $y > 0 && $y < self::HEIGHT) {
                $parts[] = '<path d="M'.$x.' '.($y - 9).' l9 9 l-9 9 l-9 -9 z" fill="#1f1c17"/><text x="'.($x + 11).'" y="'
                    .($y + 5).'" font-size="14" font-weight="bold">'.htmlspecialchars($c->name, ENT_XML1).'</text>';
            }
        }
        $parts[] = '<path d="M970 60 V20 M962 32 L970 16 L978 32" fill="none" stroke="#1f1c17" stroke-width="2"/><text x="964" y="76" '
            .'font-size="15">N</text>';

        return '<svg xmlns="http://www.w3.org/2000/svg" width="'.self::WIDTH.'" height="'
            .self::HEIGHT.'" font-family="DejaVu Sans">'.implode('', $parts).'</svg>';
    }
}
