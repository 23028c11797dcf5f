<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\GroupedSolution;
use Parlay\Core\Adjustment\Likeliest;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Units\Angle;

/**
 * The instrument finds its place from shots along two lines or more. Turned by half a turn about the lines' crossing, all shots lie on
 * the lines again, so two lines leave two places; a third line that does not pass through the crossing, or a control point, leaves one.
 *
 * The start is closed form: the straight lines through the shots, laid on the design's lines. Then all shots share the closing error by
 * their weights.
 */
final readonly class GridLines
{
    /** Shots on one line nearer to each other than this give it no direction. */
    private const APART = 0.3;

    /** Lines that meet at less than this do not fix a place, radians. */
    private const PARALLEL = 0.02;

    /** A shot this much beyond the end of the drawn part still counts as on it, in lengths of it. */
    private const BEYOND = 0.02;

    /**
     * @param  list<LineShot>  $shots
     * @param  list<ControlSight>  $control  sighted beside them
     */
    public function __construct(
        private array $shots,
        private float $instrumentHeight,
        private Accuracy $accuracy,
        private array $control = [],
    ) {}

    /**
     * @return non-empty-list<GridPlace> the likeliest first
     *
     * @throws CannotSetUp
     */
    public function places(): array
    {
        $used = array_values(array_filter($this->shots, static fn (LineShot $s) => $s->used));
        $fits = $this->requireLines($used);
        $origin = $used[0]->line->from;
        $station = new StationModel(
            array_values(array_filter($this->control, static fn (ControlSight $s) => StationModel::observed($s) !== [])), $origin,
            $this->accuracy, $this->instrumentHeight, oriented: true,
        );
        $model = new GridLinesModel($used, $station, $origin, $this->accuracy);
        try {
            $solved = Likeliest::of($model, array_map(static fn (array $s) => $model->start($station->start(...$s)), self::starts($fits)));
        } catch (NoSolution $e) {
            throw CannotSetUp::noSolution($e->getMessage(), count($used));
        }
        $places = array_map(fn (GroupedSolution $s) => $this->found($station, $s, count($solved), $used), $solved);
        usort($places, static fn (GridPlace $a, GridPlace $b) => $b->onDrawn <=> $a->onDrawn);

        return $places;
    }

    /**
     * The angle between two lines as measured, less as designed; radians, to be held against its deviation.
     *
     * @return array{off: float, deviation: float}|null of the first two lines; null where they have not two shots each
     */
    public function angle(): ?array
    {
        try {
            $fits = array_slice(
                array_values($this->requireLines(array_values(array_filter($this->shots, static fn (LineShot $s) => $s->used)))), 0, 2,
            );
        } catch (CannotSetUp) {
            return null;
        }
        [$a, $b] = $fits;
        $off = ($b->azimuth - $a->azimuth) - ($b->line->azimuth() - $a->line->azimuth());

        // A line has no sense: half turns don't count.
        return [
            'off' => $off - M_PI * round($off / M_PI),
            'deviation' => hypot($a->deviation($this->accuracy), $b->deviation($this->accuracy)),
        ];
    }

    /** The line whose shots lie nearest to each other; the orientation is as good as the longest of them. */
    public function shortest(): ?ShortBase
    {
        try {
            $fits = $this->requireLines(array_values(array_filter($this->shots, static fn (LineShot $s) => $s->used)));
        } catch (CannotSetUp) {
            return null;
        }
        usort($fits, static fn (LineFit $a, LineFit $b) => $a->base <=> $b->base);

        return ShortBase::line($fits[0]->line->name, $fits[0]->base);
    }

    /**
     * @param  list<LineShot>  $used
     * @return list<LineFit>
     */
    private function requireLines(array $used): array
    {
        $by = [];
        foreach ($used as $shot) {
            $by[$shot->line->name][] = $shot;
        }
        $fits = array_values(
            array_filter(array_map(LineFit::through(...), array_values($by)), static fn (LineFit $f) => $f->base >= self::APART),
        );
        if (count($fits) < 2) {
            throw CannotSetUp::tooFewLines(count($fits), array_map(strval(...), array_keys($by)));
        }
        foreach ($fits as $f) {
            if (abs(sin($f->line->azimuth() - $fits[0]->line->azimuth())) > self::PARALLEL) {
                return $fits;
            }
        }
        throw CannotSetUp::parallelLines();
    }

    /**
     * @param  list<LineFit>  $fits
     * @return list<array{Position, float}>
     */
    private static function starts(array $fits): array
    {
        usort($fits, static fn (LineFit $a, LineFit $b) => $b->base <=> $a->base);
        $starts = [];
        foreach ([0.0, M_PI] as $half) {
            $turn = $fits[0]->line->azimuth() - $fits[0]->azimuth + $half;
            [$a, $b, $c, $p, $q] = [0.0, 0.0, 0.0, 0.0, 0.0];
            foreach ($fits as $f) {
                // The middle of its shots, turned, has to come to lie on the line: one equation for the place.
                $across = $f->line->azimuth() + M_PI_2;
                [$n, $e] = [cos($across), sin($across)];
                $right = -$f->line->right(
                    new Position($f->north * cos($turn) - $f->east * sin($turn), $f->north * sin($turn) + $f->east * cos($turn)),
                );
                [$a, $b, $c, $p, $q] = [$a + $n * $n, $b + $n * $e, $c + $e * $e, $p + $n * $right, $q + $e * $right];
            }
            $d = $a * $c - $b * $b;
            $starts[] = [new Position(($c * $p - $b * $q) / $d, ($a * $q - $b * $p) / $d), $turn];
        }

        return $starts;
    }

    /** @param  list<LineShot>  $used */
    private function found(StationModel $model, GroupedSolution $solution, int $places, array $used): GridPlace
    {
        $station = new Station(
            $model->mark($solution->unknowns), Angle::wrap($solution->unknowns[(int) $model->orientation]), $this->instrumentHeight,
        );
        $hits = array_map(static fn (LineShot $s) => $station->locate($s->sight), $this->shots);
        $lines = count(array_unique(array_map(static fn (LineShot $s) => $s->line->name, $used)));
        $cautions = array_values(array_filter([
            $places > 1 ? Caution::that(CautionKind::TwoPlacesOnLines) : null,
            $solution->redundancy === 0 ? Caution::that(CautionKind::NothingSpareOnLines) : null,
            $lines === 2 && $solution->redundancy > 0 ? Caution::that(CautionKind::OnlyTwoLines) : null,
            $solution->passes() === false ? Caution::by(CautionKind::ShotsMissLines, (float) $solution->unitWeightDeviation()) : null,
            $model->height === null ? Caution::that(CautionKind::LinesGiveNoElevation) : null,
        ]));

        return new GridPlace(
            new SetupSolution(
                $station, Precision::from($solution->cofactors, $model->orientation, $model->height),
                (new SightsJudged($station, $solution, $model->before(), true))->of($this->control), $solution->redundancy,
                $solution->unitWeightDeviation(), $cautions, $solution->passes(), shots: $this->residuals($solution, $hits),
            ),
            $hits,
            count(array_filter(array_map(
                static fn (LineShot $s, Position $p) => abs($s->line->along($p) - 0.5) <= 0.5 + self::BEYOND, $this->shots, $hits,
            ))),
        );
    }

    /**
     * @param  list<Position>  $hits  where each shot lies
     * @return list<ShotResidual>
     */
    private function residuals(GroupedSolution $solution, array $hits): array
    {
        // The shots in use are the last blocks of the model.
        $block = count($solution->blocks) - count(array_filter($this->shots, static fn (LineShot $s) => $s->used));
        $residuals = [];
        foreach ($this->shots as $i => $shot) {
            $offset = $shot->line->right($hits[$i]);
            if (! $shot->used) {
                $residuals[] = new ShotResidual($shot->line->name, $offset);

                continue;
            }
            $judged = $solution->judge($block++);
            $residuals[] = new ShotResidual($shot->line->name, $offset, $judged->reliability[0], $judged->moves());
        }

        return $residuals;
    }
}
