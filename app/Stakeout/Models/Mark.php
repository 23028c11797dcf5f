<?php

declare(strict_types=1);

namespace App\Stakeout\Models;

use App\Database\InBook;
use App\Instrument\Models\Observation;
use App\Projects\Models\Placed;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Stakeout\Aimed;
use App\Stakeout\FoundFrom;
use App\Stakeout\MeasuredBy;
use App\Typed\Values;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OffsetShot;
use Parlay\Core\Stakeout\Tolerance;

/** Something measured on purpose from a setup: a stake, an as-built shot, a check shot. */
final class Mark extends Model
{
    use InBook;
    use Placed;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = [
        'mends' => null, 'control_id' => null, 'point_id' => null, 'aim_key' => '', 'aimed' => null, 'judged' => 'plan_and_height',
        'left_so' => false, 'note' => '', 'issued_northing' => null, 'issued_easting' => null, 'issued_elevation' => null, 'spread' => null, 'shot_offset' => null, 'above_tolerance' => null, 'found_from' => null,
    ];

    protected $casts = [
        'northing' => 'float', 'easting' => 'float', 'elevation' => 'float',
        'design_northing' => 'float', 'design_easting' => 'float', 'design_elevation' => 'float', 'judged' => Judged::class,
        'issued_northing' => 'float', 'issued_easting' => 'float', 'issued_elevation' => 'float', 'left_so' => 'boolean', 'aimed' => 'array', 'spread' => 'array', 'shot_offset' => 'array', 'found_from' => 'array',
    ];

    /**
     * Those that count: what was mended or struck is in the field book, but no longer here.
     *
     * @return HasMany<self, Project>
     */
    public static function of(Project $project): HasMany
    {
        return $project->hasMany(self::class)
            ->whereIn('marks.id', static fn ($q) => $q->from('standing_marks')->where('standing_marks.project_id', $project->id)->select('standing_marks.id'));
    }

    /** @return HasOne<Strike, $this> the latest: whether it is struck, and why */
    public function strike(): HasOne
    {
        return $this->hasOne(Strike::class)->latestOfMany();
    }

    public function design(): ?Position
    {
        return $this->design_northing === null || $this->design_easting === null ? null
            : new Position($this->design_northing, $this->design_easting, $this->design_elevation);
    }

    /** The design as it was issued, where the mark was made beside it because the wall stands there; null where it was made to what was issued. */
    public function issued(): ?Position
    {
        return $this->issued_northing === null || $this->issued_easting === null ? null
            : new Position($this->issued_northing, $this->issued_easting, $this->issued_elevation);
    }

    /** How far beside its design it was marked, metres; null where it was not. */
    public function movedBy(): ?float
    {
        return $this->design() === null ? null : $this->issued()?->distanceTo($this->design());
    }

    /** What is designed where it would lie otherwise: on a line, beside there. */
    public function designedAt(Position $found): ?Position
    {
        $design = $this->design();

        return $design === null ? null : $this->aimed()?->designedAt($design, $found) ?? $design;
    }

    public function deviation(): ?Deviation
    {
        $design = $this->design();

        return $design === null ? null : Deviation::between($design, $this->position());
    }

    /** How far beside the prism it was measured; null where the prism stood on it. */
    public function offsetShot(): ?OffsetShot
    {
        return $this->shot_offset === null ? null : Values::of($this->shot_offset, OffsetShot::class);
    }

    /** From which other readings it was found; null where its own was enough. */
    public function foundFrom(): ?FoundFrom
    {
        return $this->found_from === null ? null : Values::of($this->found_from, FoundFrom::class);
    }

    /**
     * Where it lies, from a station and its own readings.
     *
     * @throws \DomainException where several shots are of no such thing
     */
    public function placeFrom(Station $station): Position
    {
        return MeasuredBy::of($this)->place($station);
    }

    /** What it was made to, where that was no prepared point. */
    public function aimed(): ?Aimed
    {
        return $this->aimed === null ? null : Values::of($this->aimed, Aimed::class);
    }

    /** When it was measured: of a mark that mends another, when its reading was taken, and not when it was mended. */
    public function measuredAt(): string
    {
        return $this->mends === null ? $this->at : $this->observation->at ?? $this->at;
    }

    /** What of it was judged. */
    public function judgedOf(): Judged
    {
        return $this->deviation()?->judgedOf($this->judged) ?? $this->judged;
    }

    public function tolerance(): Tolerance
    {
        return new Tolerance($this->plan_tolerance, $this->height_tolerance, $this->above_tolerance);
    }

    /** @return BelongsTo<Observation, $this> */
    public function observation(): BelongsTo
    {
        return $this->belongsTo(Observation::class);
    }

    /** @return BelongsTo<Setup, $this> */
    public function setup(): BelongsTo
    {
        return $this->belongsTo(Setup::class);
    }
}
