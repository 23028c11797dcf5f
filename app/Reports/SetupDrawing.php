<?php

declare(strict_types=1);

namespace App\Reports;

use App\Setups\Models\Setup;
use Parlay\Core\Setups\SightResidual;

/** A sketch of a setup as SVG: the station, its sights, their residuals and the ellipse, both drawn larger than they are. */
final class SetupDrawing
{
    private const WIDTH = 1000.0;

    private const HEIGHT = 560.0;

    private const MARGIN = 70.0;

    /** Small things are drawn as large as this part of the picture. */
    private const SHARE = 60.0;

    /** @return array{svg: string, times: float}|null null where nothing was sighted that has coordinates */
    public static function svg(Setup $setup): ?array
    {
        $sights = array_values(array_filter($setup->sights, static fn (array $s) => isset($s['northing'], $s['easting'])));
        if ($sights === []) {
            return null;
        }
        $n = [$setup->northing, ...array_column($sights, 'northing')];
        $e = [$setup->easting, ...array_column($sights, 'easting')];
        $scale = min(
            (self::WIDTH - 2 * self::MARGIN) / max(max($e) - min($e), 1.0),
            (self::HEIGHT - 2 * self::MARGIN) / max(max($n) - min($n), 1.0),
        );
        $at = static fn (float $north, float $east): array => [
            round(self::WIDTH / 2 + ($east - (min($e) + max($e)) / 2) * $scale, 2),
            round(self::HEIGHT / 2 - ($north - (min($n) + max($n)) / 2) * $scale, 2),
        ];
        $found = $setup->found();
        $ellipse = $found->precision->ellipse();
        $residuals = array_column($found->residuals, null, 'name');
        $largest = max([
            1e-6, $ellipse->major,
            ...array_map(static fn (SightResidual $r) => hypot((float) $r->across, (float) $r->distance), $found->residuals),
        ]);
        $times = RoundFigure::atMost(self::SHARE / ($largest * $scale));
        [$x, $y] = $at($setup->northing, $setup->easting);
        $parts = [];
        foreach ($sights as $s) {
            [$sx, $sy] = $at((float) $s['northing'], (float) $s['easting']);
            $dash = ($s['used'] ?? true) ? '' : ' stroke-dasharray="3 6"';
            $parts[] = "<path d=\"M$x $y L$sx $sy\" stroke=\"#777\" stroke-width=\"1\"$dash/>";
            $parts[] = '<path d="M'.$sx.' '.($sy - 8).' l8 8 l-8 8 l-8 -8 z" fill="#1f1c17"/><text x="'.($sx + 11).'" y="'
                .($sy - 6).'" font-size="15" font-weight="bold">'.htmlspecialchars((string) $s['name'], ENT_XML1).'</text>';
            $r = $residuals[$s['name']] ?? null;
            $a = atan2($s['easting'] - $setup->easting, $s['northing'] - $setup->northing);
            [$north, $east] = $r->found ?? SightResidual::inPlan($a, $r?->distance, $r?->across);
            [$ax, $ay] = [$sx + $times * $scale * $east, $sy - $times * $scale * $north];
            $parts[] = '<path d="M'.$sx.' '.$sy.' L'.round($ax, 2).' '.round($ay, 2).'" stroke="#a3231b" stroke-width="3"/><circle cx="'
                .round($ax, 2).'" cy="'.round($ay, 2).'" r="4" fill="#a3231b"/>';
        }
        [$major, $minor, $turn] = [$times * $scale * $ellipse->major, $times * $scale * $ellipse->minor, rad2deg($ellipse->azimuth)];
        $parts[] = '<ellipse cx="'.$x.'" cy="'.$y.'" rx="'.round($minor, 2).'" ry="'.round($major, 2).'" transform="rotate('
            .round($turn, 2)." $x $y)\" fill=\"none\" stroke=\"#2f5d8c\" stroke-width=\"2.5\"/>";
        $parts[] = '<rect x="'.($x - 6).'" y="'.($y - 6).'" width="12" height="12" fill="#2f5d8c"/><text x="'.($x + 12).'" y="'
            .($y + 18).'" font-size="16" font-weight="bold">'.htmlspecialchars($setup->station_name, ENT_XML1).'</text>';
        $parts[] = '<path d="M970 60 V20 M962 32 L970 16 L978 32" fill="none" stroke="#1f1c17" stroke-width="2"/><text x="964" y="76" '
            .'font-size="15">N</text>';

        return ['svg' => '<svg xmlns="http://www.w3.org/2000/svg" width="'.self::WIDTH.'" height="'
            .self::HEIGHT.'" font-family="DejaVu Sans">'.implode('', $parts).'</svg>', 'times' => $times];
    }
}
