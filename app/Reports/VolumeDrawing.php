<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\Civil\Surfaces\Heights;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Units\LengthStyle;

/**
 * A volume from above as SVG: bands of cut and fill by squares, read at the middle of each; no figure comes from them. Darker is deeper,
 * fill is striped, so that it is read in grey as well.
 */
final class VolumeDrawing
{
    private const WIDTH = 1000.0;

    private const HEIGHT = 620.0;

    private const MARGIN = 30.0;

    private const SQUARES = 8000;

    private const BANDS = 4;

    private const CUT = ['#f7d6b2', '#de965c', '#aa5c28', '#6a3010'];

    private const FILL = ['#c4dcf0', '#7eacd6', '#4076ae', '#163c70'];

    private const LEVEL = '#f4f4ee';

    private readonly float $side;

    private readonly float $scale;

    /** @var array{float, float, float, float} */
    private readonly array $box;

    private function __construct(private readonly Surface $first)
    {
        $this->box = [$west, $south, $east, $north] = $first->extent() ?? [0.0, 0.0, 1.0, 1.0];
        $this->side = max(1e-3, sqrt(max($east - $west, 1e-3) * max($north - $south, 1e-3) / self::SQUARES));
        $this->scale = min(
            (self::WIDTH - 2 * self::MARGIN) / max($east - $west, 1e-3), (self::HEIGHT - 2 * self::MARGIN) / max($north - $south, 1e-3),
        );
    }

    /**
     * @param  float  $tolerance  within it nothing is to be done, metres
     * @param  list<float>  $outline  easting and northing in turn
     * @return array{svg: string, legend: list<array{colour: string, striped: bool, words: string}>, side: float}
     */
    public static function of(Surface $first, Surface|float $against, float $tolerance, array $outline, LengthStyle $length): array
    {
        $drawing = new self($first);
        $depths = $drawing->depths($against);
        $deepest = $depths === [] ? 0.0 : max(max($depths), -min($depths));
        $step = self::step(max($deepest, 2 * $tolerance) / self::BANDS, $length);
        $paths = [];
        foreach ($depths as $place => $depth) {
            [$i, $j] = array_map(intval(...), explode(' ', (string) $place));
            $paths[self::bandOf($depth, $tolerance, $step)][] = [$i, $j];
        }
        $parts = [];
        foreach ($paths as $band => $squares) {
            $parts[] = $drawing->squares($squares, self::colour($band), $band < 0);
        }

        return [
            'svg' => '<svg xmlns="http://www.w3.org/2000/svg" width="'.self::WIDTH.'" height="'.self::HEIGHT.'" font-family="DejaVu Sans">'
                .implode('', $parts).$drawing->line($outline).$drawing->bar($length)
                .'<path d="M970 60 V20 M962 32 L970 16 L978 32" fill="none" stroke="#1f1c17" stroke-width="2"/><text x="964" y="76" '
                .'font-size="15">N</text></svg>',
            'legend' => self::legend(array_keys($paths), $tolerance, $step, $length), 'side' => $drawing->side,
        ];
    }

    /** @return array<string, float> by row and column: how far the first lies above; where both are */
    private function depths(Surface|float $against): array
    {
        [$west, $south, $east, $north] = $this->box;
        $n = $e = $places = [];
        for ($i = 0; $south + ($i + 0.5) * $this->side < $north; $i++) {
            for ($j = 0; $west + ($j + 0.5) * $this->side < $east; $j++) {
                $n[] = $south + ($i + 0.5) * $this->side;
                $e[] = $west + ($j + 0.5) * $this->side;
                $places[] = "$i $j";
            }
        }
        $a = (new Heights(new SurfaceIndex($this->first)))->of($n, $e);
        $b = $against instanceof Surface ? (new Heights(new SurfaceIndex($against)))->of($n, $e) : null;
        $depths = [];
        foreach ($places as $k => $place) {
            $depth = $a[$k] - ($b === null ? $against : $b[$k]);
            if (! is_nan($depth)) {
                $depths[$place] = $depth;
            }
        }

        return $depths;
    }

    /** A step that people think in, in the unit that is shown, metres. */
    private static function step(float $least, LengthStyle $length): float
    {
        $unit = $length->unit()->metres();

        return RoundFigure::atLeast(max($least / $unit, 1e-6)) * $unit;
    }

    /** 0 is level, 1 to 4 cut, -1 to -4 fill. */
    private static function bandOf(float $depth, float $tolerance, float $step): int
    {
        if (abs($depth) <= $tolerance) {
            return 0;
        }
        $band = min(self::BANDS, 1 + (int) floor(abs($depth) / $step));

        return $depth > 0.0 ? $band : -$band;
    }

    private static function colour(int $band): string
    {
        return $band === 0 ? self::LEVEL : ($band > 0 ? self::CUT[$band - 1] : self::FILL[-$band - 1]);
    }

    /**
     * @param  list<array{int, int}>  $squares  row and column
     */
    private function squares(array $squares, string $colour, bool $striped): string
    {
        $size = round($this->side * $this->scale, 2);
        $fill = $stripe = '';
        foreach ($squares as [$i, $j]) {
            [$x, $y] = $this->at($this->box[1] + ($i + 1) * $this->side, $this->box[0] + $j * $this->side);
            $fill .= "M$x {$y}h{$size}v{$size}h-{$size}z";
            $stripe .= "M$x ".round($y + $size, 2)."l$size -$size";
        }

        return "<path d=\"$fill\" fill=\"$colour\"/>".($striped ? "<path d=\"$stripe\" stroke=\"#ffffff\" stroke-width=\"1\"/>" : '');
    }

    /** @param  list<float>  $flat */
    private function line(array $flat): string
    {
        if (count($flat) < 4) {
            return '';
        }
        $d = '';
        foreach (array_chunk($flat, 2) as $k => [$e, $n]) {
            [$x, $y] = $this->at($n, $e);
            $d .= ($k === 0 ? 'M' : 'L')."$x $y";
        }

        return "<path d=\"$d\" fill=\"none\" stroke=\"#1f1c17\" stroke-width=\"2\"/>";
    }

    private function bar(LengthStyle $length): string
    {
        $long = self::step(100.0 / $this->scale, $length);
        $width = round($long * $this->scale, 1);
        $words = htmlspecialchars($length->format($long), ENT_XML1);

        return "<path d=\"M30 596 v10 h$width v-10\" fill=\"none\" stroke=\"#1f1c17\" stroke-width=\"2\"/><text x=\"38\" y=\"600\" font-size=\"15\">$words</text>";
    }

    /** @return array{float, float} */
    private function at(float $north, float $east): array
    {
        [$west, $south, $far, $top] = $this->box;

        return [
            round(self::WIDTH / 2 + ($east - ($west + $far) / 2) * $this->scale, 2), round(self::HEIGHT / 2 - ($north - ($south + $top) / 2) * $this->scale, 2),
        ];
    }

    /**
     * @param  list<int>  $bands  that are drawn
     * @return list<array{colour: string, striped: bool, words: string}>
     */
    private static function legend(array $bands, float $tolerance, float $step, LengthStyle $length): array
    {
        sort($bands);

        return array_map(static fn (int $band): array => ['colour' => self::colour($band), 'striped' => $band < 0, 'words' => match (true) {
            $band === 0 => 'within '.$length->format($tolerance),
            abs($band) === self::BANDS => 'over '.$length->format((self::BANDS - 1) * $step),
            default => $length->format(max($tolerance, (abs($band) - 1) * $step)).' to '.$length->format(abs($band) * $step),
        }.($band === 0 ? '' : ($band > 0 ? ' cut' : ' fill'))], $bands);
    }
}
