<?php

declare(strict_types=1);

namespace App\Projects\Models;

use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;
use App\Control\Models\GridLine;
use App\Designs\Models\Design;
use App\Instrument\Models\Instrument;
use App\Instrument\Models\Observation;
use App\Instrument\Models\Target;
use App\Points\Models\Code;
use App\Points\Models\StakeoutPoint;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use App\Worklists\Models\Worklist;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\DirectionStyle;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\StationStyle;
use Parlay\Core\Units\Units;

final class Project extends Model
{
    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['arriving' => false, 'active_design_id' => null, 'residual_limit' => null, 'staking' => null, 'civil' => null];

    protected $casts = [
        'length_style' => LengthStyle::class,
        'angle_style' => AngleStyle::class,
        'direction_style' => DirectionStyle::class,
        'coordinate_order' => CoordinateOrder::class,
        'station_style' => StationStyle::class,
        'arriving' => 'boolean',
    ];

    protected static function booted(): void
    {
        self::addGlobalScope('whole', static fn (Builder $q) => $q->where('projects.arriving', false));
    }

    public function units(): Units
    {
        return new Units($this->length_style, $this->angle_style, $this->direction_style, $this->coordinate_order, $this->station_style);
    }

    /** Of what a code stands for: its own, or else the project's. */
    public function tolerance(string $code = ''): Tolerance
    {
        $own = $code === '' ? null : $this->codes()->where('code', $code)->first();

        return new Tolerance($own->plan_tolerance ?? $this->plan_tolerance, $own->height_tolerance ?? $this->height_tolerance);
    }

    /** What counts of marks of a code; empty where the code says nothing. */
    public function judgedBy(string $code): string
    {
        return $code === '' ? '' : (string) $this->codes()->where('code', $code)->value('judged');
    }

    /** @return array<int, int> points that a mark was set for, as keys */
    public function staked(): array
    {
        return array_flip($this->marks()->where('kind', 'stake')->whereNotNull('point_id')->distinct()->pluck('point_id')->all());
    }

    /** Other tabs see that something changed, be it points, control or designs. */
    public function changed(): void
    {
        $this->toNextRevision(['prepared_revision' => DB::raw('revision + 1')]);
    }

    /** The same where something was measured, stored or set up: points, control and designs are what they were. */
    public function measured(): void
    {
        $this->toNextRevision([]);
    }

    /** @param  array<string, mixed>  $more */
    private function toNextRevision(array $more): void
    {
        self::query()->withoutGlobalScopes()->whereKey($this->id)->toBase()->update(['revision' => DB::raw('revision + 1')] + $more);
        $this->setAttribute('revision', $this->revision + 1)->syncOriginalAttribute('revision');
    }

    /**
     * What is on the site surveyor's list: no stations, and nothing measured from them.
     *
     * @return HasMany<ControlPoint, $this>
     */
    public function listedControl(): HasMany
    {
        return $this->controlPoints()->where('origin', ControlOrigin::Listed);
    }

    /** @return HasMany<ControlPoint, $this> */
    public function controlPoints(): HasMany
    {
        return $this->hasMany(ControlPoint::class);
    }

    /** @return HasMany<Design, $this> */
    public function designs(): HasMany
    {
        return $this->hasMany(Design::class)->whereNull('removed_at');
    }

    /** @return HasMany<StakeoutPoint, $this> */
    public function points(): HasMany
    {
        return $this->hasMany(StakeoutPoint::class);
    }

    /** @return HasMany<GridLine, $this> */
    public function gridLines(): HasMany
    {
        return $this->hasMany(GridLine::class);
    }

    /** @return HasMany<Instrument, $this> */
    public function instruments(): HasMany
    {
        return $this->hasMany(Instrument::class);
    }

    /** @return HasMany<Target, $this> */
    public function targets(): HasMany
    {
        return $this->hasMany(Target::class);
    }

    /** @return HasMany<Setup, $this> */
    public function setups(): HasMany
    {
        return $this->hasMany(Setup::class);
    }

    /** @return HasMany<Code, $this> */
    public function codes(): HasMany
    {
        return $this->hasMany(Code::class);
    }

    /** @return HasMany<Worklist, $this> */
    public function worklists(): HasMany
    {
        return $this->hasMany(Worklist::class);
    }

    /**
     * The marks that count: those that were mended are in the field book, but no longer here.
     *
     * @return HasMany<Mark, $this>
     */
    public function marks(): HasMany
    {
        return $this
            ->hasMany(Mark::class)
            ->whereNotExists(static fn ($q) => $q->from('marks AS newer')->whereColumn('newer.mends', 'marks.id'));
    }

    /** @return HasMany<Observation, $this> */
    public function observations(): HasMany
    {
        return $this->hasMany(Observation::class);
    }

    /**
     * The setup that holds: the one accepted last, as it was last mended.
     *
     * @return HasOne<Setup, $this>
     */
    public function currentSetup(): HasOne
    {
        return $this->hasOne(Setup::class)->orderByRaw('coalesce(stands_for, id) DESC, id DESC');
    }
}
