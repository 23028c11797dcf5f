<?php

declare(strict_types=1);

namespace App\Packing;

use App\Civil\AlignmentEntry;
use App\Civil\CivilChoices;
use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Civil\SurfaceEntry;
use App\Civil\SurfaceKind;
use App\Cogo\Recipe;
use App\Control\ControlOrigin;
use App\Designs\DesignEntry;
use App\Designs\DesignRole;
use App\Designs\HeightsChoice;
use App\Designs\LayerEntry;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\FieldBook\PhotographToKeep;
use App\FieldBook\Picture;
use App\Instrument\Purpose;
use App\Instrument\TargetKind;
use App\Projects\PointName;
use App\Reports\LetterheadWanted;
use App\Reports\Logo;
use App\Reports\Paper;
use App\Reports\TableLayoutWanted;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Models\Setup;
use App\Setups\SetupEntry;
use App\Setups\SetupMethod;
use App\Stakeout\Aimed;
use App\Stakeout\FoundFrom;
use App\Stakeout\MarkSpread;
use App\Stakeout\StakingChoices;
use App\Typed\Values;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Surfaces\PackedSurface;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Geometry\Spline;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Stakeout\DecisionRule;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OffsetShot;
use Parlay\Core\Stakeout\Verdict;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\DirectionStyle;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\LengthUnit;
use Parlay\Core\Units\StationStyle;

/**
 * Rows that come from elsewhere are held to what the interface would have taken: every column to the type its table gives it, and to
 * what is known of it beyond that. The database itself takes a word for a number, and would answer with it ever after.
 */
final class RowCheck
{
    private const LARGEST_FIGURE = 1e9;

    private const LONGEST_WORDS = 2_000;

    private const LONGEST_JSON = 200_000_000;

    private const CHOICES = [
        'projects' => [
            'length_style' => LengthStyle::class, 'angle_style' => AngleStyle::class, 'direction_style' => DirectionStyle::class,
            'coordinate_order' => CoordinateOrder::class, 'station_style' => StationStyle::class, 'acceptance' => Acceptance::class,
        ],
        'control_points' => ['origin' => ControlOrigin::class],
        'surfaces' => ['kind' => SurfaceKind::class],
        'designs' => ['unit' => LengthUnit::class, 'heights' => HeightsChoice::class, 'role' => DesignRole::class],
        'targets' => ['kind' => TargetKind::class],
        'letterheads' => ['paper' => Paper::class],
        'setups' => ['method' => SetupMethod::class],
        'observations' => ['purpose' => Purpose::class],
        'marks' => ['kind' => Purpose::class, 'verdict' => Verdict::class, 'judged' => Judged::class],
    ];

    /** More than nothing. */
    private const POSITIVE = [
        'plan_tolerance', 'height_tolerance', 'direction_seconds', 'zenith_seconds', 'distance_millimetres', 'scale', 'angles',
        'wavelength', 'residual_limit', 'plumb_one_in', 'flat_tolerance',
    ];

    private const NOT_NEGATIVE = ['slope', 'centring', 'notch_radius', 'distance_ppm', 'plan_deviation', 'height_deviation', 'count', 'above_tolerance'];

    /** @var array<string, array{type: string, needed: bool, otherwise: bool}> by column */
    private array $columns = [];

    public function __construct(private readonly string $table)
    {
        foreach (DB::select(
            'SELECT name, lower(type) AS type, "notnull" AS needed, dflt_value AS otherwise, pk FROM pragma_table_info(?)', [$table],
        ) as $c) {
            $this->columns[$c->name] = ['type' => $c->type, 'needed' => (int) $c->needed === 1, 'otherwise' => $c->otherwise !== null];
        }
    }

    /**
     * @param  array<string, mixed>  $row
     * @return array<string, mixed> without columns that are not known
     *
     * @throws \DomainException naming line and column
     */
    public function checked(array $row, int $line): array
    {
        $row = array_intersect_key($row, $this->columns);
        foreach ($this->columns as $name => $column) {
            $value = $row[$name] ?? null;
            if ($value === null) {
                if (array_key_exists($name, $row) && $column['otherwise'] && $column['needed']) {
                    unset($row[$name]);
                } elseif ($column['needed'] && ! $column['otherwise'] && $name !== 'id') {
                    throw $this->wrong($line, $name, 'is missing');
                }

                continue;
            }
            $this->figure($line, $name, $column['type'], $value);
            $this->choice($line, $name, $value);
        }
        if (! is_int($row['id'] ?? null)) {
            throw $this->wrong($line, 'id', 'is no number of a row');
        }
        try {
            $this->meaning($row);
        } catch (\DomainException $e) {
            throw new \DomainException("Line $line of {$this->table}: ".lcfirst($e->getMessage()).' Nothing was stored.');
        } catch (\Throwable) {
            throw new \DomainException("Line $line of {$this->table} is not what Parlay writes. Nothing was stored.");
        }

        return $row;
    }

    private function figure(int $line, string $name, string $type, mixed $value): void
    {
        $good = match (true) {
            str_starts_with($type, 'tinyint') => in_array($value, [0, 1, true, false], true),
            $type === 'integer' => is_int($value) && $value >= -1,
            $type === 'double', $type === 'float' => (is_int($value) || is_float($value))
                && is_finite((float) $value)
                && abs((float) $value) <= self::LARGEST_FIGURE,
            $type === 'blob' => is_string($value) && base64_decode($value, true) !== false,
            $type === 'text' => is_string($value) && strlen($value) <= self::LONGEST_JSON && is_array(json_decode($value, true)),
            default => is_string($value)
                && mb_strlen($value) <= self::LONGEST_WORDS
                && preg_match('~[\x00-\x08\x0E-\x1F\x7F]~', $value) === 0,
        };
        if (! $good) {
            throw $this->wrong($line, $name, 'is not '.(str_starts_with($type, 'tinyint') ? 'yes or no' : [
                'integer' => 'a whole number', 'double' => 'a number', 'float' => 'a number', 'blob' => 'packed bytes',
                'text' => 'JSON',
            ][$type] ?? 'a short text'));
        }
        if ((in_array($name, self::POSITIVE, true) && $value <= 0) || (in_array($name, self::NOT_NEGATIVE, true) && $value < 0)) {
            throw $this->wrong($line, $name, 'is too small');
        }
        if ($name === 'at' && preg_match('~^\d{4}-\d\d-\d\d~', (string) $value) !== 1) {
            throw $this->wrong($line, $name, 'is no time');
        }
        if (in_array($name, ['colour', 'own_colour'], true) && preg_match('~^#[0-9a-fA-F]{6}$~', (string) $value) !== 1) {
            throw $this->wrong($line, $name, 'is no colour');
        }
    }

    private function choice(int $line, string $name, mixed $value): void
    {
        $choices = self::CHOICES[$this->table][$name] ?? null;
        if ($choices !== null && $choices::tryFrom($value) === null) {
            throw $this->wrong($line, $name, 'is none of the words that stand there');
        }
    }

    /**
     * What the rest of Parlay makes of a row, tried once: what can't be read now would not be read later either.
     *
     * @param  array<string, mixed>  $row
     */
    private function meaning(array $row): void
    {
        if (isset($row['name']) && in_array(
            $this->table,
            ['projects', 'control_points', 'stakeout_points', 'grid_lines', 'phases', 'worklists', 'instruments', 'targets', 'marks'], true,
        )) {
            PointName::checked($row['name']);
        }
        match ($this->table) {
            'stakeout_points' => self::point($row),
            'projects' => self::choices($row),
            'alignments' => AlignmentEntry::of($this->model(new CivilAlignment, $row), new CivilChoices(null, 0.0, 20.0, [])),
            'surfaces' => self::surface($row, $this->model(new CivilSurface, $row)),
            'surface_tiles' => PackedSurface::checkTile((string) base64_decode((string) $row['bytes'], true)),
            'marks' => self::mark($row),
            'letterheads' => self::letterhead($row),
            'photographs' => self::photograph($row),
            'report_issues' => IssueCheck::of($row),
            'table_layouts' => new TableLayoutWanted((string) $row['name'], array_map(strval(...), array_values((array) json_decode((string) $row['columns'], true)))),
            'worklists' => self::numbers($row, ['point_ids', 'skipped']),
            'designs' => DesignEntry::of($this->model(new Design, $row)->setRelation('layers', collect()), null),
            'design_layers' => self::layer($row, $this->model(new DesignLayer, $row)),
            'targets' => new Target((float) $row['height'], (float) $row['prism_constant']),
            'corrections' => new Target((float) $row['target_height'], (float) $row['prism_constant']),
            'observations' => self::observation($row),
            'setups' => self::setup($row, $this->model(new Setup, $row)),
            default => null,
        };
    }

    /** @param  array<string, mixed>  $row */
    private static function choices(array $row): void
    {
        DecisionRule::isLevel((float) ($row['acceptance_level'] ?? 0.95)) || throw new \DomainException('A probability that is asked for lies between 0.5 and 0.999.');
        if (isset($row['staking'])) {
            Values::of((array) json_decode($row['staking'], true), StakingChoices::class)->check();
        }
        if (isset($row['civil'])) {
            Values::of((array) json_decode($row['civil'], true), CivilChoices::class)->check();
        }
    }

    /** @param  array<string, mixed>  $row */
    private static function mark(array $row): void
    {
        if (isset($row['aimed'])) {
            Values::of((array) json_decode($row['aimed'], true), Aimed::class);
        }
        if (isset($row['shot_offset'])) {
            Values::of((array) json_decode($row['shot_offset'], true), OffsetShot::class);
        }
        if (isset($row['found_from'])) {
            Values::of((array) json_decode($row['found_from'], true), FoundFrom::class);
        }
        if (isset($row['spread'])) {
            $spread = MarkSpread::read((array) json_decode($row['spread'], true));
            min($spread->nn, $spread->ee, $spread->hh ?? 0.0) >= 0.0 || throw new \DomainException('A square of an uncertainty is below 0.');
        }
    }

    /** @param  array<string, mixed>  $row */
    private static function surface(array $row, CivilSurface $surface): void
    {
        SurfaceEntry::of($surface, null);
        PackedSurface::kept((string) base64_decode((string) $row['head'], true), static fn (): string => '');
    }

    /** @param  array<string, mixed>  $row */
    private static function point(array $row): void
    {
        Recipe::kept(isset($row['recipe']) ? json_decode($row['recipe'], true) : null);
        foreach (isset($row['attributes']) ? json_decode($row['attributes'], true) : [] as $value) {
            is_scalar($value) || throw new \DomainException('An attribute is no text.');
        }
    }

    /**
     * @param  array<string, mixed>  $row
     * @param  list<string>  $columns
     */
    private static function numbers(array $row, array $columns): void
    {
        foreach ($columns as $column) {
            foreach (json_decode($row[$column] ?? '[]', true) as $id) {
                is_int($id) || throw new \DomainException("“{$column}” holds what is no number of a point.");
            }
        }
    }

    /** @param  array<string, mixed>  $row */
    private static function layer(array $row, DesignLayer $layer): void
    {
        LayerEntry::of($layer);
        if (strlen((string) base64_decode((string) ($row['records'] ?? ''), true)) !== $row['count'] * Shape::BYTES) {
            throw new \DomainException('Its shapes are not as many as it says.');
        }
        foreach (json_decode($row['curves'] ?? '[]', true) as $curve) {
            Spline::fromArray($curve) ?? throw new \DomainException('A curve of it is none.');
        }
    }

    /** @param  array<string, mixed>  $row */
    private static function observation(array $row): void
    {
        new Target((float) $row['target_height'], (float) $row['prism_constant']);
        new Atmosphere(
            (float) $row['pressure'], (float) $row['temperature'], (float) ($row['humidity'] ?? 0.6),
            (float) ($row['refraction'] ?? Atmosphere::REFRACTION),
        );
        if (! ($row['zenith'] > 0.0 && $row['zenith'] < 2 * M_PI)) {
            throw new \DomainException('A zenith angle lies between straight up and straight down.');
        }
        self::accuracy(json_decode($row['accuracy'], true));
    }

    /** @param  array<string, mixed>  $figures */
    private static function accuracy(array $figures): void
    {
        foreach ($figures as $figure) {
            is_int($figure) || is_float($figure) ? null : throw new \DomainException('An accuracy is no number.');
        }
        Accuracy::of($figures);
    }

    /** @param  array<string, mixed>  $row */
    private static function setup(array $row, Setup $setup): void
    {
        SetupEntry::of($setup);
        is_finite($setup->precision()->place()) || throw new \DomainException('Its uncertainty is no number.');
        if (isset($row['draft'])) {
            SetupDrafts::read(json_decode($row['draft'], true));
        }
        if (isset($row['accuracy'])) {
            self::accuracy(json_decode($row['accuracy'], true));
        }
        foreach (json_decode($row['sights'], true) as $s) {
            foreach (['observationId' => true, 'controlId' => false] as $key => $needed) {
                is_int($s[$key] ?? null) || (! $needed && ($s[$key] ?? null) === null)
                    ? null
                    : throw new \DomainException('A sight names no reading.');
            }
            foreach (['northing', 'easting', 'elevation'] as $key) {
                is_int($s[$key] ?? 0) || is_float($s[$key] ?? 0)
                    ? null
                    : throw new \DomainException('The control of a sight has no place.');
            }
        }
    }

    /**
     * @template T of \Illuminate\Database\Eloquent\Model
     *
     * @param  T  $model
     * @param  array<string, mixed>  $row
     * @return T
     */
    private function model(\Illuminate\Database\Eloquent\Model $model, array $row): \Illuminate\Database\Eloquent\Model
    {
        $all = array_fill_keys(array_keys($this->columns), null);

        return $model->setRawAttributes(
            array_diff_key($row, array_flip(Packing::BYTES)) + $model->getAttributes() + $all,
        );
    }

    private function wrong(int $line, string $column, string $what): \DomainException
    {
        return new \DomainException(
            "Line $line of {$this->table}: “{$column}” $what. Nothing was stored; it was changed after packing, or packed by something else.",
        );
    }

    /** @param  array<string, mixed>  $row */
    private static function photograph(array $row): void
    {
        new PhotographToKeep((string) $row['key'], (int) $row['observation_id'], '', (string) ($row['caption'] ?? ''));
        if (! Picture::isOne((string) base64_decode((string) $row['bytes'], true))) {
            throw new \DomainException('the photograph is no picture.');
        }
    }

    /** @param  array<string, mixed>  $row */
    private static function letterhead(array $row): void
    {
        new LetterheadWanted((string) $row['firm'], (string) $row['address']);
        if (isset($row['logo']) && ! Logo::isOne((string) base64_decode((string) $row['logo'], true))) {
            throw new \DomainException('the logo is no picture');
        }
    }
}
