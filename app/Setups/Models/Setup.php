<?php

declare(strict_types=1);

namespace App\Setups\Models;

use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;
use App\Database\InBook;
use App\Projects\Models\OfProject;
use App\Projects\Models\Placed;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\SetupRecord;
use Parlay\Core\Setups\SetupSolution;

/** A setup that was accepted, with the evidence it was accepted on. */
final class Setup extends Model
{
    use InBook;
    use OfProject;
    use Placed;

    /** Whether y was made with the same instrument as s, as far as that is known; in SQL. */
    public const SAME_INSTRUMENT = "(y.serial = coalesce(s.serial, '') OR y.serial = '' OR coalesce(s.serial, '') = '')";

    private ?SetupSolution $found = null;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['stands_for' => null, 'note' => '', 'draft' => null, 'accuracy' => null, 'base_id' => null, 'serial' => ''];

    protected $casts = [
        'northing' => 'float', 'easting' => 'float', 'elevation' => 'float', 'orientation' => 'float', 'number' => 'integer', 'instrument_height' => 'float',
        'solution' => 'array', 'sights' => 'array', 'draft' => 'array',
        'accuracy' => 'array', 'stands_for' => 'integer', 'base_id' => 'integer',
    ];

    protected static function booted(): void
    {
        self::creating(static function (self $s): void {
            $s->setAttribute('number', self::numberOf($s->project_id, $s->stands_for));
        });
    }

    /**
     * The setup that holds, first: the one accepted last, as it was last mended.
     *
     * @return HasMany<self, Project>
     */
    public static function current(Project $project): HasMany
    {
        return self::of($project)->orderByRaw('coalesce(stands_for, id) DESC, id DESC');
    }

    /** Whether this control point is the station that it found, in all its versions. */
    public function hasStation(ControlPoint $c): bool
    {
        return $c->origin === ControlOrigin::Station && $c->setup_id === $this->root();
    }

    /** What people call it by: counted in its project; a version has the number of the setup it stands for. */
    public static function numberOf(int $project, ?int $standsFor): int
    {
        return $standsFor === null
            ? 1 + (int) self::query()->where('project_id', $project)->max('number')
            : (int) self::query()->whereKey($standsFor)->value('number');
    }

    /** The setup as it was first accepted, of which this is a version. */
    public function root(): int
    {
        return $this->stands_for ?? $this->id;
    }

    /** Of each instrument the setup that was accepted or proven last on this machine, in whichever project, is where it stands. */
    public function holds(): bool
    {
        return $this->root() === (int) DB::table('stands')->join('setups', 'setups.id', '=', 'stands.setup_id')
            ->when($this->serial !== '', fn ($q) => $q->whereIn('setups.serial', ['', $this->serial]))
            ->orderByDesc('stands.id')->value('stands.setup_id');
    }

    /** Came in with a packed project, and no check has proven yet that the instrument still stands there. */
    public function isUnproven(): bool
    {
        return DB::table('stands')->where('setup_id', $this->root())->doesntExist();
    }

    /** From now on the instrument stands here. */
    public function stands(): void
    {
        DB::table('stands')->insert(['setup_id' => $this->root()]);
    }

    /** @throws \DomainException why nothing can be measured from it */
    public function requireHolding(): void
    {
        if ($this->isUnproven()) {
            throw new \DomainException(
                'This setup came in with a packed project. Take a check on a control point first, to prove that the instrument still stands there; or set up anew.',
            );
        }
        if (! $this->holds()) {
            throw new \DomainException('The instrument has been set up for another project since. Set it up anew here before measuring.');
        }
    }

    public function station(): Station
    {
        return new Station($this->position(), $this->orientation, $this->instrument_height);
    }

    /** What it was accepted on, whichever version kept it. */
    public function found(): SetupSolution
    {
        return $this->found ??= SetupRecord::read($this->solution, $this->station());
    }

    /** As the deviations stated beforehand have it. */
    public function precision(): Precision
    {
        return $this->found()->precision;
    }
}
