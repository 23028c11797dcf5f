<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\Stakeout\Deviation;

/** What is to be done about a mark that is out or too close to call, in words for whoever was not there. */
final readonly class ToDo
{
    public function __construct(private Figures $figures) {}

    public function about(ReportRow $r): string
    {
        if ($r->called() === 'close') {
            return 'measure it again from nearer or from another setup: it is in with '.$r->probability();
        }
        $off = implode(', ', $this->off($r));

        return $r->mark->kind === 'stake' ? "stake it again: it lies $off" : "decide: it was built $off";
    }

    /** @return list<string> by how much it lies off, and to which side, of what is out of tolerance */
    private function off(ReportRow $r): array
    {
        [$d, $t, $judged] = [$r->deviation, $r->tolerance(), $r->judgedOf()];
        if ($d === null) {
            return [];
        }
        $plan = $judged->countsPlan() && Deviation::isBeyond($d->plan, $t->plan) ? $this->figures->judged($d->plan, $t->plan).' to the '.self::toward($d) : null;
        $height = $judged->countsHeight() && $d->height !== null && Deviation::isBeyond($d->height, $t->allowed($d->height))
            ? $this->figures->deviation(abs($d->height)).($d->height > 0.0 ? ' too high' : ' too low') : null;

        return array_values(array_filter([$plan, $height], is_string(...)));
    }

    /** One of eight directions that it lies in, seen from its design. */
    private static function toward(Deviation $d): string
    {
        $eighth = (int) round(atan2($d->easting, $d->northing) / (M_PI / 4));

        return ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'][($eighth + 8) % 8];
    }
}
