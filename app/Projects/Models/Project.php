<?php

declare(strict_types=1);

namespace App\Projects\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Stakeout\BuiltTolerance;
use Parlay\Core\Stakeout\DecisionRule;
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
    protected $attributes = ['arriving' => false, 'active_design_id' => null, 'residual_limit' => null, 'acceptance' => 'simple', 'acceptance_level' => 0.95, 'staking' => null, 'civil' => null];

    protected $casts = [
        'length_style' => LengthStyle::class,
        'angle_style' => AngleStyle::class,
        'direction_style' => DirectionStyle::class,
        'coordinate_order' => CoordinateOrder::class,
        'station_style' => StationStyle::class,
        'arriving' => 'boolean',
        'acceptance' => Acceptance::class,
        'acceptance_level' => 'float',
    ];

    protected static function booted(): void
    {
        self::addGlobalScope('whole', static fn (Builder $q) => $q->where('projects.arriving', false));
    }

    /** How what is built may lean and bow. */
    public function builtTolerance(): BuiltTolerance
    {
        return new BuiltTolerance($this->plumb_one_in, $this->flat_tolerance);
    }

    /** Of what no code says otherwise of. */
    public function tolerance(): Tolerance
    {
        return new Tolerance($this->plan_tolerance, $this->height_tolerance, $this->above_tolerance);
    }

    public function units(): Units
    {
        return new Units($this->length_style, $this->angle_style, $this->direction_style, $this->coordinate_order, $this->station_style);
    }

    public function decisionRule(): DecisionRule
    {
        return new DecisionRule($this->acceptance, $this->acceptance_level);
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
}
