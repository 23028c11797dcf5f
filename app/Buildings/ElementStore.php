<?php

declare(strict_types=1);

namespace App\Buildings;

use App\Designs\Models\Design;
use App\Projects\Uploads;
use Illuminate\Database\Connection;
use Illuminate\Database\Connectors\ConnectionFactory;
use Illuminate\Database\Query\Builder;
use Parlay\Core\Buildings\Element;
use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Buildings\Example\Misfit;
use Parlay\Core\Buildings\Example\Parts;
use Parlay\Core\Buildings\Revision\Standing;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Control\GridLine;
use Parlay\Core\Formats\Ifc\IfcFile;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthUnit;

/**
 * The things of a building model one by one, with what they are, where they stand and of which solids: a small database beside the file the
 * model came in. It is made of that file alone, and made anew where it is missing.
 */
final class ElementStore
{
    /** Of the form of its tables: another one is made anew. */
    private const FORM = 'things-4';

    private const AT_ONCE = 400;

    /** Shapes whose parts are kept in mind. */
    private const KEPT = 400;

    /** @var array<string, Parts> */
    private array $parts = [];

    /** @var array<int, Solid> */
    private array $solids = [];

    private function __construct(private readonly Connection $db) {}

    /**
     * @param  (\Closure(float): mixed)|null  $progress  takes the share that is done, where it has to be made
     *
     * @throws \DomainException where the drawing is no model
     */
    public static function of(Design $design, ?\Closure $progress = null): self
    {
        $path = MadeOfModel::path($design, self::FORM, static fn (string $part) => self::make($design, $part, $progress));

        return new self(self::connection($path));
    }

    public function element(int $number): ?StoredElement
    {
        return $this->first($this->db->table('things')->where('number', $number));
    }

    /** Where several carry one id, the one that is meant by its number, else the first. */
    public function byGuid(string $guid, int $number): ?StoredElement
    {
        return $this->first($this->db->table('things')->where('guid', $guid)->orderByRaw('number = ? desc', [$number])->orderBy('number'));
    }

    /**
     * @param  \Closure(Builder): mixed  $only  which
     * @return \Generator<int, StoredElement> in the order of the file
     */
    public function where(\Closure $only): \Generator
    {
        $query = $this->db->table('things')->orderBy('number');
        $only($query);
        foreach ($query->lazyById(self::AT_ONCE, 'number') as $row) {
            yield $this->read($row);
        }
    }

    /** @return list<int> instances of what says these words somewhere: in its name, type, tag, class, storey, assembly, layers or properties */
    public function saying(string $words): array
    {
        $like = '%'.addcslashes($words, '%_\\').'%';

        return array_map(intval(...), $this->db->table('things')->where(static function (Builder $q) use ($like): void {
            foreach (['name', 'type', 'tag', 'class', 'storey', 'assembly', 'layers', 'properties'] as $column) {
                $q->orWhereRaw("$column like ? escape '\\'", [$like]);
            }
        })->orderBy('number')->pluck('number')->all());
    }

    /** @param  \Closure(Builder): mixed  $only  which */
    public function count(\Closure $only): int
    {
        $query = $this->db->table('things');
        $only($query);

        return $query->count();
    }

    /** @return \Generator<int, Standing> all of them, to be compared with another revision */
    public function standing(): \Generator
    {
        foreach ($this->db->table('things')->select(['number', 'guid', 'name', 'class', 'type', 'place', 'topology', 'form', 'reach'])->orderBy('number')->lazyById(self::AT_ONCE, 'number') as $row) {
            [$low, $high] = json_decode((string) $row->reach, true);
            yield new Standing(
                number: (int) $row->number, guid: (string) $row->guid, name: (string) $row->name, class: (string) $row->class, type: (string) $row->type, shape: (string) $row->form,
                topology: (string) $row->topology, place: new Frame(...json_decode((string) $row->place, true)), low: $low, high: $high,
            );
        }
    }

    /** @return list<GridLine> axes of its grids on the site, straight ones */
    public function axes(): array
    {
        return $this->db->table('axes')->orderBy('id')->get()->map(static fn (\stdClass $a) => new GridLine(
            (string) $a->name, (string) $a->family, new Position((float) $a->northing1, (float) $a->easting1), new Position((float) $a->northing2, (float) $a->easting2),
        ))->all();
    }

    /** @throws DoesNotFit */
    public function partsOf(string $shape): Parts
    {
        if (! isset($this->parts[$shape])) {
            if (count($this->parts) >= self::KEPT) {
                [$this->parts, $this->solids] = [[], []];
            }
            $this->parts[$shape] = Parts::of(array_map(
                fn (array $s): array => [$this->solid((int) $s[0]), new Frame(...$s[1])], json_decode($shape, true, flags: JSON_THROW_ON_ERROR),
            ));
        }

        return $this->parts[$shape];
    }

    /** @return list<array{Solid, Frame}> of a thing, each with where it stands on the site */
    public function solidsOf(StoredElement $thing): array
    {
        if (count($this->solids) > self::KEPT) {
            $this->solids = [];
        }

        return array_map(
            fn (array $s): array => [$this->solid((int) $s[0]), $thing->place->after(new Frame(...$s[1]))], json_decode($thing->shape, true, flags: JSON_THROW_ON_ERROR),
        );
    }

    private function solid(int $id): Solid
    {
        return $this->solids[$id] ??= Solid::unpacked((string) ($this->db->table('solids')->where('id', $id)->value('packed') ?? throw new DoesNotFit(Misfit::NoShape)));
    }

    private function first(Builder $query): ?StoredElement
    {
        $row = $query->first();

        return $row === null ? null : $this->read($row);
    }

    private function read(\stdClass $row): StoredElement
    {
        return new StoredElement(
            store: $this, number: (int) $row->number, guid: (string) $row->guid, class: (string) $row->class, type: (string) $row->type,
            name: (string) $row->name, tag: (string) $row->tag, storey: (string) $row->storey,
            assembly: (string) $row->assembly, layers: json_decode((string) $row->layers, true) ?: [], properties: json_decode((string) $row->properties, true) ?: [],
            fault: $row->fault, place: new Frame(...json_decode((string) $row->place, true)), shape: (string) $row->shape, topology: (string) $row->topology,
        );
    }

    /** @param  (\Closure(float): mixed)|null  $progress */
    private static function make(Design $design, string $path, ?\Closure $progress): void
    {
        touch($path);
        $db = self::connection($path);
        $db->statement('pragma journal_mode = off');
        $db->statement('pragma synchronous = off');
        $db->statement('create table things (number integer primary key, guid text, class text, type text, name text, tag text, storey text, layers text, '
            .'properties text, fault text, place text, shape text, topology text, form text, reach text, assembly text)');
        $db->statement('create table solids (id integer primary key, packed text)');
        $db->statement('create table axes (id integer primary key, name text, family text, northing1 real, easting1 real, northing2 real, easting2 real)');
        $model = new IfcModel(StepFile::open(IfcFile::stream(Uploads::path($design->upload))), Uploads::elementsOf($design->upload));
        $site = $model->toSite(LengthUnit::from($design->unit), MadeOfModel::placement($design));
        $db->beginTransaction();
        self::keepThings($db, $model, $site, $progress);
        self::keepAxes($db, $model, $site);
        $db->commit();
        foreach (['guid', 'type', 'shape'] as $column) {
            $db->statement("create index things_$column on things ($column)");
        }
        $db->disconnect();
    }

    /** @param  (\Closure(float): mixed)|null  $progress */
    private static function keepThings(Connection $db, IfcModel $model, Frame $site, ?\Closure $progress): void
    {
        $storeys = $model->storeyNames();
        $all = max(1, array_sum($model->things->counts()));
        /** @var \SplObjectStorage<Solid, string> $known holds them, so that one is never taken for another that is gone */
        $known = new \SplObjectStorage;
        $solids = $topologies = $rows = $packed = [];
        $done = 0;
        foreach ($model->elements() as $e) {
            $shape = $topology = $form = [];
            // Along the axes of its first solid: so what is mirrored or stretched as it is put into a thing is so as a whole, and its faces are the same ones.
            $own = $e->shape[0][1] ?? Frame::none();
            $back = $own->inverse() ?? Frame::none();
            foreach ($e->shape as [$solid, $frame]) {
                if (! isset($known[$solid])) {
                    $text = $solid->packed();
                    // The same solid again, drawn anew for each thing by a writer who knows no better, is one.
                    $key = hash('xxh128', $text, true);
                    if (! isset($solids[$key])) {
                        $solids[$key] = count($solids) + 1;
                        $topologies[$key] = $solid->topology();
                        $packed[] = ['id' => $solids[$key], 'packed' => $text];
                    }
                    $known[$solid] = $key;
                }
                $within = $frame === $own ? Frame::none() : $back->after($frame);
                // What is left of chained figures is less than a thousandth of a micrometre, and things of one shape have one.
                $shape[] = [$solids[$known[$solid]], array_map(static fn (float $v): float => round($v, 9) + 0.0, array_values(get_object_vars($within)))];
                $topology[] = $topologies[$known[$solid]];
                $form[] = bin2hex($known[$solid]).json_encode($shape[count($shape) - 1][1]);
            }
            $rows[] = self::row($e, $storeys[$e->storey] ?? '', $model->properties->of($e->number), $site->after($e->place)->after($own), $shape, $topology)
                + ['assembly' => $e->partOf === null ? '' : $model->nameOf($e->partOf) ?? '', 'form' => hash('xxh64', implode(' ', $form)), 'reach' => json_encode($e->reach($back) ?? [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], JSON_PRESERVE_ZERO_FRACTION)];
            if (++$done % self::AT_ONCE === 0) {
                self::insert($db, $rows, $packed);
                [$rows, $packed] = [[], []];
                $progress === null || $progress($done / $all);
            }
        }
        self::insert($db, $rows, $packed);
    }

    /**
     * @param  array<string, string>  $properties
     * @param  list<array{int, list<float>}>  $shape
     * @param  list<string>  $topology
     * @return array<string, mixed>
     */
    private static function row(Element $e, string $storey, array $properties, Frame $place, array $shape, array $topology): array
    {
        $text = static fn (mixed $v): string => json_encode($v, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_PRESERVE_ZERO_FRACTION);

        return [
            'number' => $e->number, 'guid' => $e->id, 'class' => $e->class, 'type' => $e->typeName ?? '', 'name' => $e->name, 'tag' => $e->tag, 'storey' => $storey,
            'layers' => $text($e->layers), 'properties' => $text($properties), 'fault' => $e->fault,
            'place' => $text(array_values(get_object_vars($place))), 'shape' => $text($shape), 'topology' => $topology === [] ? '' : Parts::topologyOf($topology),
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @param  list<array<string, mixed>>  $solids
     */
    private static function insert(Connection $db, array $rows, array $solids): void
    {
        foreach (['things' => $rows, 'solids' => $solids] as $table => $some) {
            foreach (array_chunk($some, 50) as $chunk) {
                $db->table($table)->insert($chunk);
            }
        }
    }

    private static function keepAxes(Connection $db, IfcModel $model, Frame $site): void
    {
        foreach ($model->grids->axes() as $axis) {
            $places = array_map(static fn (array $p): array => $site->point(...$p), $axis->places);
            // A crossing is named by straight ones; what bends is drawn on the plan.
            if (count($places) === 2 && $axis->name !== '') {
                [[$e1, $n1], [$e2, $n2]] = $places;
                $db->table('axes')->insert([
                    'name' => $axis->name, 'family' => ctype_digit($axis->name[0]) ? 'numbers' : 'letters',
                    'northing1' => $n1, 'easting1' => $e1, 'northing2' => $n2, 'easting2' => $e2,
                ]);
            }
        }
    }

    /** Of its own, beside those of the book: whoever opens the same model again takes it from nobody. */
    private static function connection(string $path): Connection
    {
        return (new ConnectionFactory(app()))->make(['driver' => 'sqlite', 'database' => $path, 'prefix' => '', 'foreign_key_constraints' => false], 'things');
    }
}
