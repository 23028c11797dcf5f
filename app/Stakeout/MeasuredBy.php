<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Instrument\Models\Observation;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\ShotSpread;
use Parlay\Core\Stakeout\HiddenShot;
use Parlay\Core\Stakeout\OffsetShot;

/** How the place of a mark follows from what was read: where the prism stood, beside there, or found from several shots. */
final readonly class MeasuredBy
{
    /** @param  non-empty-list<Observation>  $readings  the mark's own is the last one */
    private function __construct(private array $readings, private ?OffsetShot $offset = null, private ?HiddenShot $hidden = null) {}

    public static function prism(Observation $reading, ?OffsetShot $offset = null): self
    {
        return new self([$reading], $offset);
    }

    /** @param  non-empty-list<Observation>  $readings  in the order that the method takes */
    public static function shots(HiddenShot $hidden, array $readings): self
    {
        return new self($readings, hidden: $hidden);
    }

    public static function of(Mark $m): self
    {
        $own = $m->observation ?? throw new \LogicException('A mark has its reading.');
        $from = $m->foundFrom();
        if ($from === null) {
            return self::prism($own, $m->offsetShot());
        }
        $before = Observation::query()->where('project_id', $m->project_id)->whereIntegerInRaw('id', $from->more)->get()->keyBy('id');

        return self::shots($from->shot, [...array_map(static fn (int $id): Observation => $before->get($id) ?? throw new \LogicException('A mark has all its readings.'), $from->more), $own]);
    }

    /** @throws \DomainException where several shots are of no such thing */
    public function place(Station $station): Position
    {
        if ($this->hidden !== null) {
            return $this->hidden->from($station, $this->sights());
        }
        $prism = $station->locate($this->sights()[0]);

        return $this->offset?->from($station, $prism) ?? $prism;
    }

    /** How far that may be wrong, from a setup. */
    public function spread(Setup $setup): ShotSpread
    {
        return $this->spreadFrom($setup->station(), $setup->found()->trusted());
    }

    private function spreadFrom(Station $station, Precision $precision): ShotSpread
    {
        if ($this->hidden !== null) {
            return $this->hidden->spread($station, $precision, $this->sights(), array_map(static fn (Observation $o): Accuracy => $o->ownAccuracy(), $this->readings));
        }
        [$reading, $sight] = [$this->readings[0], $this->sights()[0]];
        $shot = ShotSpread::of($station, $precision, $sight, $reading->ownAccuracy());

        return $this->offset?->widen($shot, $station, $station->locate($sight)) ?? $shot;
    }

    /** What tapes, or the other shots, add in plan to a shot's own figures, in the direction in which they are the weaker; square metres. */
    public static function besides(Mark $m): float
    {
        if ($m->foundFrom() === null) {
            return $m->offsetShot()?->variance() ?? 0.0;
        }

        return self::of($m)->spreadFrom($m->setup->station(), Precision::certain())->weakest();
    }

    /** @return non-empty-list<Sight> */
    private function sights(): array
    {
        return array_map(static fn (Observation $o): Sight => $o->sight(), $this->readings);
    }
}
