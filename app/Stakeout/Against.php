<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Civil\CivilAims;
use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Stakeout\Models\KeptAim;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Aims\Aim;
use Parlay\Core\Stakeout\Aims\PlaceAim;
use Parlay\Core\Stakeout\Aims\WallAim;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\MarkedOn;

/** What a mark is held against, whatever kind of thing that is, with all that the field book keeps of it. */
final readonly class Against
{
    private function __construct(
        public Aim $aim,
        public string $name,
        public string $code,
        public string $source,
        public ?string $judged = null,
        public ?StakeoutPoint $point = null,
        public ?ControlPoint $control = null,
        public ?KeptAim $kept = null,
        private ?Aim $issued = null,
    ) {}

    /** Where the design itself lies, where it is marked beside that because the wall stands there; null where it is marked as issued. */
    public function issuedAt(Position $found): ?Position
    {
        return $this->issued?->designedAt($found)->place;
    }

    public static function point(StakeoutPoint $p): self
    {
        return new self(
            new PlaceAim($p->position()), $p->name, $p->code, (string) ($p->recipe['description'] ?? $p->origin), point: $p,
        );
    }

    public static function control(ControlPoint $c): self
    {
        return new self(new PlaceAim($c->position()), $c->name, $c->code, $c->source, control: $c);
    }

    public static function kept(KeptAim $a): self
    {
        return new self($a->aim(), $a->name, $a->code, $a->source, $a->judged, kept: $a);
    }

    /** Only how much is to be cut or filled is wanted to be known, wherever one stands. */
    public function isGrade(): bool
    {
        return $this->kept?->kind->isCivil() === true && CivilAims::isGrade($this->kept->civilLay());
    }

    /** Within which the grade of its surface is judged, metres; null where it is only told. */
    public function gradeTolerance(): ?float
    {
        return $this->kept?->kind->isCivil() === true ? CivilAims::gradeTolerance($this->kept->civilLay()) : null;
    }

    public function judges(?Judged $said, string $ofCode): Judged
    {
        return self::judgedOf($this->aim, $said, (string) $this->judged, $ofCode);
    }

    /** What counts of a mark: what was said when it was measured, or of what is staked, or of its code, or all that can be judged. */
    public static function judgedOf(Aim $aim, ?Judged $said, string $ofAim, string $ofCode): Judged
    {
        $can = $aim->judges();
        $wished = $said ?? Judged::tryFrom($ofAim) ?? Judged::tryFrom($ofCode) ?? $can;

        // An elevation has no plan to be off by, whatever was wished.
        return $can === Judged::PlanAndHeight ? $wished : $can;
    }

    /** The same, marked with the red dot on a floor, where the plan counts, or on a wall, where its depth does not. */
    public function markedBy(?DotMarked $dot): self
    {
        if ($dot === null || $dot->on === MarkedOn::Ray) {
            return $this;
        }
        if ($dot->on === MarkedOn::Slab) {
            return new self(...['judged' => Judged::Plan->value] + get_object_vars($this));
        }
        $at = $dot->elevation === null ? '' : ', at the height chosen for the run';

        return new self(...[
            'aim' => new WallAim($this->aim, $dot->onWall(), $dot->elevation), 'issued' => $this->aim, 'source' => "{$this->source}; marked on the wall as it stands$at",
            'judged' => null,
        ] + get_object_vars($this));
    }

    /** What a mark is called where nobody said: as what it is held against, or the next of the series it belongs to. */
    public function markName(Project $project): string
    {
        // A spot whose marks are named by its own name is one of its own, and not of a series.
        return $this->kept === null || $this->kept->kind === AimKind::Place || $this->kept->series === $this->kept->name
            ? $this->name
            : PointName::nextMark($project->id, $this->kept->series === '' ? $this->kept->kind->series() : $this->kept->series);
    }

    /** @return array<string, mixed> the columns of a mark that say what it was made to */
    public function columns(Position $found): array
    {
        $designed = $this->aim->designedAt($found);
        $issued = $this->issuedAt($found);

        return [
            'point_id' => $this->point?->id, 'control_id' => $this->control?->id, 'aim_key' => (string) $this->kept?->key,
            'design_northing' => $designed->place->northing, 'design_easting' => $designed->place->easting,
            'design_elevation' => $designed->place->elevation, 'design_source' => $this->source,
            'issued_northing' => $issued?->northing, 'issued_easting' => $issued?->easting, 'issued_elevation' => $issued?->elevation,
            'aimed' => $this->kept === null ? null : Aimed::at($this->kept, $designed),
        ];
    }
}
