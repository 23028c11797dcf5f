<?php

declare(strict_types=1);

namespace Parlay\Core\Reports;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;

/** A mark as an issued report tells it: what stands there stays, whatever becomes of the mark. */
final readonly class IssuedMark
{
    /** Figures nearer than this are the same one, metres. */
    private const SAME = 1e-6;

    /**
     * @param  string  $subject  what it was made for: the same for the mark that replaces or mends it
     * @param  int  $mark  its number in the field book
     * @param  int  $first  number of the mark that it mends, in all its versions; its own where it mends none
     * @param  list<float|null>  $found  northing, easting, elevation; metres
     * @param  list<float|null>  $design  the same; empty where there is none
     * @param  float|null  $plan  found from designed, metres
     * @param  string  $verdict  in, out, close or undecided, by the rule of the report
     * @param  string  $element  GlobalId of the thing of a building model that it belongs to; empty where there is none
     * @param  int|null  $model  number of the drawing that thing is in
     */
    public function __construct(
        public string $subject,
        public int $mark,
        public int $first,
        public string $name,
        public string $code,
        public string $kind,
        public string $at,
        public int $setup,
        public array $found,
        public array $design,
        public ?float $plan,
        public ?float $height,
        public ?float $planUncertain,
        public ?float $heightUncertain,
        public string $verdict,
        public string $element = '',
        public ?int $model = null,
    ) {}

    public function foundAt(): Position
    {
        return new Position((float) $this->found[0], (float) $this->found[1], $this->found[2] ?? null);
    }

    /** Where it stands in space: at the height of its design where its own was not measured, at 0 where nobody knows any. */
    public function inSpace(): Position
    {
        $found = $this->foundAt();

        return $found->elevation === null ? $found->at($this->design[2] ?? 0.0) : $found;
    }

    public function designAt(): ?Position
    {
        return $this->design === [] ? null : new Position((float) $this->design[0], (float) $this->design[1], $this->design[2] ?? null);
    }

    public function deviation(): ?Deviation
    {
        $design = $this->designAt();

        return $design === null ? null : Deviation::between($design, $this->foundAt());
    }

    /** What became of it in a later report; null where it says the same. */
    public function becomes(self $later): ?MarkChangeKind
    {
        return match (true) {
            $this->first !== $later->first => MarkChangeKind::MarkedAgain,
            ! self::same($this->found, $later->found) || ! self::same($this->design, $later->design) => MarkChangeKind::Corrected,
            $this->verdict !== $later->verdict => MarkChangeKind::JudgedOtherwise,
            $this->name !== $later->name || $this->code !== $later->code => MarkChangeKind::Renamed,
            default => null,
        };
    }

    /**
     * @param  list<float|null>  $a
     * @param  list<float|null>  $b
     */
    private static function same(array $a, array $b): bool
    {
        foreach ($a as $i => $v) {
            $w = $b[$i] ?? null;
            if (($v === null) !== ($w === null) || abs((float) $v - (float) $w) > self::SAME) {
                return false;
            }
        }

        return count($a) === count($b);
    }
}
