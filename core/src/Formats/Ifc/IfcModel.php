<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Booleans;
use Parlay\Core\Buildings\Element;
use Parlay\Core\Buildings\GridAxis;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Buildings\Storey;
use Parlay\Core\Buildings\TooManyFaces;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Geometry\Angle;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;
use Parlay\Core\Units\LengthUnit;

/** A building model in IFC (ISO 16739): IFC2X3, IFC4 and their additions, as a STEP file. */
final class IfcModel
{
    /** Representations in the order they are wanted; a box is better than nothing. */
    private const SHAPES = ['body' => 0, 'facetation' => 1, 'tessellation' => 1, 'surface' => 2, '' => 3, 'box' => 9];

    /** Of one that is named otherwise: behind these, before a box. */
    private const OTHER_SHAPE = 5;

    /** Representations that show something else than the thing itself. */
    private const NO_SHAPES = ['axis', 'footprint', 'profile', 'reference', 'clearance', 'lighting', 'cog', 'annotation', 'surveypoints', 'plan', 'path'];

    /** Not things but places, or what is not there. */
    private const NO_THINGS = [
        'IFCSITE', 'IFCBUILDING', 'IFCBUILDINGSTOREY', 'IFCSPACE', 'IFCOPENINGELEMENT', 'IFCOPENINGSTANDARDCASE', 'IFCGRID', 'IFCANNOTATION',
        'IFCVIRTUALELEMENT', 'IFCPROJECT', 'IFCSPATIALZONE', 'IFCEXTERNALSPATIALELEMENT', 'IFCVOIDINGFEATURE', 'IFCPORT', 'IFCDISTRIBUTIONPORT',
    ];

    /** Of which the names of classes are put together. */
    private const WORDS = 'STANDARD|ELEMENTED|CASE|BUILDING|ELEMENT|PROXY|MECHANICAL|FASTENER|DISCRETE|ACCESSORY|REINFORCING|BAR|MESH|CURTAIN|WALL'
        .'|FLOW|SEGMENT|FITTING|TERMINAL|CONTROLLER|PIPE|DUCT|CABLE|CARRIER|STAIR|RAMP|FLIGHT|FURNISHING|ASSEMBLY|PART|TENDON|ANCHOR|DISTRIBUTION'
        .'|CHAMBER|TRANSPORT|CIVIL|GEOGRAPHIC|SYSTEM|SHADING|DEVICE|EARTHWORKS|COURSE';

    public readonly IfcUnits $units;

    public readonly IfcStructure $structure;

    public readonly IfcProperties $properties;

    public readonly IfcPlaces $places;

    /** @var array<string, int>|null */
    private ?array $things = null;

    private readonly IfcShapes $shapes;

    private readonly IfcCurves $curves;

    /** @var array<int, true>|null */
    private ?array $cutting = null;

    /**
     * @param  string|null  $keptAt  where its things are kept once they are worked out, and read from where they are (KeptElements)
     *
     * @throws UnreadableStep where its schema is none Parlay reads
     */
    public function __construct(public readonly StepFile $file, private readonly ?string $keptAt = null)
    {
        if (preg_match('~^IFC(2X3|4)~', $file->schema) !== 1) {
            throw UnreadableStep::otherSchema($file->schema);
        }
        $this->units = IfcUnits::of($file);
        $this->places = new IfcPlaces($file, $this->units->length);
        $this->curves = new IfcCurves($file, $this->places, $this->units);
        $this->shapes = new IfcShapes($file, $this->places, $this->curves, new IfcProfiles($file, $this->places, $this->curves));
        $this->places->setGrid($this->byGrid(...));
        $this->structure = new IfcStructure($file);
        $this->properties = new IfcProperties($file, $this->structure);
    }

    /**
     * Where the model lies on the site, from its own coordinates in metres.
     *
     * @param  LengthUnit  $unit  in which it was taken, whatever the file says
     * @param  Frame|null  $placement  from where the file puts it, in metres
     */
    public function toSite(LengthUnit $unit, ?Frame $placement): Frame
    {
        $scale = $this->scale($unit);
        $whole = ($placement ?? Frame::none())->after(new Frame($scale, 0.0, 0.0, 0.0, 0.0, $scale, 0.0, 0.0, 0.0, 0.0, $scale, 0.0));

        return $whole->after($this->toMap());
    }

    /** From the model's own coordinates to where the file puts it, metres. */
    public function toMap(): Frame
    {
        return ($this->map()->frame ?? Frame::none())->after($this->ownSystem() ?? Frame::none());
    }

    /** What the file says of its place on the map; null where it says nothing. */
    public function map(): ?MapConversion
    {
        return MapConversion::of($this->file, $this->units->length);
    }

    /** Where the coordinate system of the model itself stands in the world (WorldCoordinateSystem); null where it is the world's. */
    public function ownSystem(): ?Frame
    {
        foreach ($this->file->of('IFCGEOMETRICREPRESENTATIONCONTEXT') as $number) {
            try {
                $context = $this->file->get($number);
                $system = $context->reference(4);
                $frame = $system === null || ($context->number(2) ?? 3.0) !== 3.0 ? null : $this->places->axes($system);
                if ($frame !== null && ! $frame->isNone()) {
                    return $frame;
                }
            } catch (BrokenInstance $e) {
                $this->structure->faults[] = $e->getMessage();
            }
        }

        return null;
    }

    /**
     * At the crossing of two axes of a grid, or beside it (IfcVirtualGridIntersection): its x axis along the first of both, or toward where it is said.
     *
     * @throws BrokenInstance
     */
    private function byGrid(Instance $placement): Frame
    {
        $crossings = [];
        $toward = null;
        foreach (array_keys($placement->attributes) as $k) {
            $number = $placement->reference($k);
            $class = $number === null ? '' : $this->file->classOf($number);
            if ($class === 'IFCVIRTUALGRIDINTERSECTION') {
                $crossings[] = (int) $number;
            } elseif ($class === 'IFCDIRECTION') {
                $toward = $this->places->direction($number, [1.0, 0.0, 0.0]);
            }
        }
        [$at, $along, $frame] = $this->crossing($crossings[0] ?? throw $this->places->broken($placement->number, 'it names no crossing of a grid'));
        if (isset($crossings[1])) {
            [$other] = $this->crossing($crossings[1]);
            $along = [$other[0] - $at[0], $other[1] - $at[1], 0.0];
        }
        $x = Space::unit($toward ?? $along) ?? [1.0, 0.0, 0.0];

        return $frame->after(Frame::ofAxes($x, [-$x[1], $x[0], 0.0], [0.0, 0.0, 1.0], $at));
    }

    /**
     * @return array{array{float, float, float}, array{float, float, float}, Frame} where two axes cross, beside them as far as is said, how the first of them runs, and the grid's frame
     *
     * @throws BrokenInstance
     */
    private function crossing(int $number): array
    {
        $c = $this->file->get($number);
        [$one, $two] = [...$c->references(0), null, null];
        if ($one === null || $two === null) {
            throw $this->places->broken($number, 'a crossing of fewer than two axes');
        }
        $off = $c->numbers(1);
        [$p, $u] = $this->straightAxis($one, ($off[0] ?? 0.0));
        [$q, $v] = $this->straightAxis($two, ($off[1] ?? 0.0));
        $sine = $u[0] * $v[1] - $u[1] * $v[0];
        if (abs($sine) < 1e-9) {
            throw $this->places->broken($number, 'its axes run alike and do not cross');
        }
        $t = (($q[0] - $p[0]) * $v[1] - ($q[1] - $p[1]) * $v[0]) / $sine;
        $up = isset($off[2]) ? $this->places->coordinate($off[2], $number) : 0.0;

        return [[$p[0] + $t * $u[0], $p[1] + $t * $u[1], $up], [$u[0], $u[1], 0.0], $this->gridOf($one)];
    }

    /**
     * @param  float  $off  to its left, in the file's unit
     * @return array{array{float, float}, array{float, float}} a place on it and its direction
     *
     * @throws BrokenInstance
     */
    private function straightAxis(int $axis, float $off): array
    {
        $a = $this->file->get($axis);
        $places = $this->curves->trace($a->reference(1) ?? throw $this->places->broken($axis, 'an axis without a course'))->places;
        if (count($places) !== 2) {
            throw $this->places->broken($axis, 'a placement by an axis that is not straight, which Parlay does not read');
        }
        [$from, $to] = $a->word(2) === 'F' ? [$places[1], $places[0]] : [$places[0], $places[1]];
        $length = hypot($to[0] - $from[0], $to[1] - $from[1]);
        if ($length <= 0.0) {
            throw $this->places->broken($axis, 'an axis of no length');
        }
        $u = [($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length];
        $by = $this->places->coordinate($off, $axis);

        return [[$from[0] - $by * $u[1], $from[1] + $by * $u[0]], $u];
    }

    private function gridOf(int $axis): Frame
    {
        foreach ($this->file->of('IFCGRID') as $number) {
            $grid = $this->file->get($number);
            if (in_array($axis, [...$grid->references(7), ...$grid->references(8), ...$grid->references(9)], true)) {
                return $this->places->local($grid->reference(5));
            }
        }

        return Frame::none();
    }

    /**
     * What is placed or shown in the file and is no thing that could be set out: how many of each class.
     *
     * @return array<string, int>
     */
    public function notTaken(): array
    {
        $counts = [];
        foreach (self::NO_THINGS as $class) {
            // Grids and annotations are drawn as lines, openings are cut; a site with a body is one.
            if (in_array($class, ['IFCGRID', 'IFCPROJECT', 'IFCANNOTATION', 'IFCSITE'], true)) {
                continue;
            }
            foreach ($this->file->of($class) as $number) {
                try {
                    $shown = $this->file->get($number)->reference(6) !== null && ! isset($this->cutting()[$number]);
                } catch (BrokenInstance) {
                    $shown = true;
                }
                if ($shown) {
                    $counts[$class] = ($counts[$class] ?? 0) + 1;
                }
            }
        }

        return $counts;
    }

    /** @return array<int, true> openings that are cut out of something */
    private function cutting(): array
    {
        return $this->cutting ??= array_fill_keys(array_merge(...array_values($this->structure->openings)), true);
    }

    /**
     * Lines that are drawn in the model, such as those for setting out.
     *
     * @return \Generator<int, list<list<array{float, float, float}>>> by number of the annotation: courses, in the model's coordinates
     */
    public function annotations(): \Generator
    {
        foreach ($this->file->of('IFCANNOTATION') as $number) {
            $courses = [];
            try {
                $a = $this->file->get($number);
                $frame = $this->places->local($a->reference(5));
                $product = $a->reference(6);
                foreach ($product === null ? [] : $this->file->get($product)->references(2) as $representation) {
                    foreach ($this->file->get($representation)->references(3) as $item) {
                        array_push($courses, ...$this->coursesOf($item, $frame));
                    }
                }
            } catch (BrokenInstance $e) {
                $this->structure->faults[] = $e->getMessage();
            }
            yield $number => $courses;
        }
    }

    /** @return list<list<array{float, float, float}>> */
    private function coursesOf(int $item, Frame $frame): array
    {
        $i = $this->file->get($item);
        if (str_ends_with($i->class, 'SET')) {
            return array_merge(...array_map(fn (int $part): array => $this->coursesOf($part, $frame), $i->references(0)));
        }
        try {
            return [array_map(static fn (array $p): array => $frame->point(...$p), $this->curves->trace($item)->places)];
        } catch (BrokenInstance) {
            $this->shapes->leave($i->class, 'of an annotation: not drawn');

            return [];
        }
    }

    /** How much larger it is than its file says, by the unit it was taken in. */
    public function scale(LengthUnit $unit): float
    {
        return $unit->metres() / $this->units->named()->metres();
    }

    /** @return float|null azimuth in which the model's own y axis runs where the file tells true north, radians; null where it does not, or the axis is it */
    public function turnedFromNorth(): ?float
    {
        foreach ($this->file->of('IFCGEOMETRICREPRESENTATIONCONTEXT') as $number) {
            try {
                [$x, $y] = $this->places->direction($this->file->get($number)->reference(5), [0.0, 1.0, 0.0]);
            } catch (BrokenInstance) {
                continue;
            }
            if (abs($x) > 1e-9 || $y < 0.0) {
                return Angle::wrap(-atan2($x, $y));
            }
        }

        return null;
    }

    /** @return list<Storey> from below upward; those without an elevation last */
    public function storeys(): array
    {
        $storeys = [];
        foreach ($this->file->of('IFCBUILDINGSTOREY') as $number) {
            try {
                $s = $this->file->get($number);
                $elevation = $s->number(9);
                $storeys[] = new Storey($number, $s->text(2) ?? '', $elevation === null ? null : $this->places->coordinate($elevation, $number), $this->places->local($s->reference(5))->z);
            } catch (BrokenInstance) {
                $storeys[] = new Storey($number, '', null);
            }
        }
        usort($storeys, static fn (Storey $s, Storey $t): int => ($s->elevation ?? INF) <=> ($t->elevation ?? INF));

        return $storeys;
    }

    /** @return array<int, string> names of the storeys, by number */
    public function storeyNames(): array
    {
        $names = [];
        foreach ($this->storeys() as $storey) {
            $names[$storey->number] = $storey->name;
        }

        return $names;
    }

    /** @return list<GridAxis> those that can be read */
    public function gridAxes(): array
    {
        $axes = [];
        foreach ($this->file->of('IFCGRID') as $number) {
            try {
                $grid = $this->file->get($number);
                $frame = $this->places->local($grid->reference(5));
                foreach ([...$grid->references(7), ...$grid->references(8), ...$grid->references(9)] as $axis) {
                    $a = $this->file->get($axis);
                    $trace = $this->curves->trace($a->reference(1) ?? throw $this->places->broken($axis, 'an axis without a course'));
                    $axes[] = new GridAxis(
                        $grid->text(2) ?? '', $a->text(0) ?? '', array_map(static fn (array $p): array => $frame->point(...$p), $trace->places),
                    );
                }
            } catch (BrokenInstance $e) {
                $this->structure->faults[] = $e->getMessage();
            }
        }

        return $axes;
    }

    /** @return array<string, int> how many things there are of each class */
    public function things(): array
    {
        return $this->things ??= array_filter($this->file->counts(), $this->isThing(...), ARRAY_FILTER_USE_KEY);
    }

    /**
     * One after the other, in the order of the file; each is built when it is asked for, and forgotten.
     *
     * @return \Generator<int, Element> by the number of its instance
     */
    public function elements(): \Generator
    {
        $kept = $this->keptAt === null ? null : KeptElements::in($this->keptAt, function (array $leftOut, array $faults): void {
            array_push($this->structure->faults, ...$faults);
            foreach ($leftOut as $class => $whys) {
                foreach ($whys as $why => $count) {
                    $this->shapes->leave($class, $why, $count);
                }
            }
        });
        if ($kept === null) {
            yield from $this->keptAt === null ? $this->built() : $this->keeping($this->keptAt);

            return;
        }
        foreach ($kept as $number => [$element, $properties]) {
            $this->properties->remember($number, $properties);
            yield $number => $element;
        }
    }

    /**
     * The same, which keeps them: whole or not at all.
     *
     * @return \Generator<int, Element>
     */
    private function keeping(string $path): \Generator
    {
        $part = $path.'.'.bin2hex(random_bytes(4)).'.part';
        $keep = KeptElements::begin($part);
        $before = [$this->shapes->leftOut, count($this->structure->faults)];
        try {
            foreach ($this->built() as $number => $element) {
                $properties = $this->properties->of($number);
                $this->properties->remember($number, $properties);
                $keep?->keep($element, $properties);
                yield $number => $element;
            }
            if ($keep !== null && $keep->finish($this->shapes->leftOutSince($before[0]), array_slice($this->structure->faults, $before[1]))) {
                @rename($part, $path);
            }
        } finally {
            @unlink($part);
        }
    }

    /** @return \Generator<int, Element> */
    private function built(): \Generator
    {
        foreach (array_keys($this->things()) as $class) {
            foreach ($this->file->of($class) as $number) {
                try {
                    if ($class === 'IFCSITE' && $this->file->get($number)->reference(6) === null) {
                        continue;
                    }
                    $element = $this->element($number);
                } catch (BrokenInstance $e) {
                    $this->structure->faults[] = self::plainClass($class)." “{$this->nameOf($number)}” was left out: {$e->getMessage()}";
                    $this->shapes->leave($class, 'its place, or it itself, can’t be read: left out');

                    continue;
                }
                yield $number => $element;
            }
        }
    }

    /** @throws BrokenInstance where the instance itself can't be read; what is wrong with its shape is its fault */
    public function element(int $number): Element
    {
        $i = $this->file->get($number);
        $fault = null;
        $shape = $layers = [];
        // Without its place it stands nowhere, least of all at the origin.
        $place = $this->places->local($i->reference(5));
        try {
            [$shape, $layers, $fault] = $this->shapeOf($i);
            $shape = $this->withoutOpenings($number, $place, $shape);
        } catch (BrokenInstance $e) {
            $fault = $e->getMessage();
        }
        $type = $this->structure->types[$number] ?? null;

        return new Element(
            number: $number,
            id: $i->text(0) ?? '',
            class: self::plainClass($i->class),
            name: $i->text(2) ?? '',
            type: $type,
            typeName: $type === null ? $i->text(4) : $this->nameOf($type) ?? $i->text(4),
            tag: $i->text(7) ?? '',
            storey: $this->structure->above($number, 'IFCBUILDINGSTOREY'),
            partOf: $this->structure->partOf[$number] ?? null,
            place: $place,
            shape: $shape,
            layers: $layers,
            fault: $fault,
        );
    }

    /** What an instance that has an id is called; null where that can't be read. */
    public function nameOf(int $number): ?string
    {
        try {
            return $this->file->get($number)->text(2);
        } catch (BrokenInstance) {
            return null;
        }
    }

    /** A site is a place, and where terrain is drawn with it a thing as well. */
    private function hasBody(string $class): bool
    {
        foreach ($this->file->of($class) as $number) {
            try {
                if ($this->file->get($number)->reference(6) !== null) {
                    return true;
                }
            } catch (BrokenInstance) {
                continue;
            }
        }

        return false;
    }

    /** A class whose instances have an id, a placement and a shape. */
    private function isThing(string $class): bool
    {
        if ($class === 'IFCSITE') {
            return $this->hasBody($class);
        }
        if (in_array($class, self::NO_THINGS, true) || str_starts_with($class, 'IFCREL') || str_ends_with($class, 'TYPE') || str_ends_with($class, 'STYLE')) {
            return false;
        }
        // Points and the like have no id, and there may be millions of them; of what has one, the first that is placed or shown tells.
        $withoutId = $short = 0;
        foreach ($this->file->of($class) as $number) {
            try {
                $i = $this->file->get($number);
                // A placement and a shape are the sixth and the seventh of what a product says.
                if (count($i->attributes) < 7) {
                    if (++$short > 5) {
                        return false;
                    }

                    continue;
                }
                $place = $i->reference(5);
                if ($i->text(0) === null && ++$withoutId > 50) {
                    return false;
                }
                if ($i->text(0) === null || ($place === null && $i->reference(6) === null)) {
                    continue;
                }
                if ($place !== null && $this->file->has($place) && ! str_ends_with($this->file->classOf($place), 'PLACEMENT')) {
                    continue;
                }
                $shape = $i->reference(6);
                if ($shape === null || ! $this->file->has($shape) || $this->file->classOf($shape) === 'IFCPRODUCTDEFINITIONSHAPE') {
                    return true;
                }
            } catch (BrokenInstance) {
                continue;
            }
        }

        return false;
    }

    /**
     * @return array{list<array{Solid, Frame}>, list<string>, string|null} solids, the layers they lie on, and why some are not as they should
     *
     * @throws BrokenInstance
     */
    private function shapeOf(Instance $i): array
    {
        $product = $i->reference(6);
        if ($product === null) {
            return [[], [], null];
        }
        $chosen = $box = null;
        $bodies = [];
        $best = 100;
        foreach ($this->file->get($product)->references(2) as $number) {
            $r = $this->file->get($number);
            $identifier = strtolower($r->text(1) ?? '');
            $rank = in_array($identifier, self::NO_SHAPES, true) ? 100 : self::SHAPES[$identifier] ?? self::OTHER_SHAPE;
            $rank = $r->text(2) === 'BoundingBox' ? self::SHAPES['box'] : $rank;
            if ($rank === self::SHAPES['body']) {
                $bodies[] = $r;
            }
            if ($rank === self::SHAPES['box']) {
                $box = $r;
            }
            if ($rank < $best) {
                [$best, $chosen] = [$rank, $r];
            }
        }
        if ($chosen === null) {
            $this->shapes->leave($i->class, 'without a body: the file gives an axis, a footprint or the like alone');

            return [[], [], null];
        }
        $solids = $faults = [];
        $layers = $this->structure->layers[$chosen->number] ?? [];
        // A body in two parts is written as two.
        $items = array_merge(...array_map(static fn (Instance $r): array => $r->references(3), $bodies === [] ? [$chosen] : $bodies));
        foreach ($items as $item) {
            array_push($layers, ...$this->structure->layers[$item] ?? []);
            try {
                array_push($solids, ...$this->shapes->placed($item));
            } catch (BrokenInstance $e) {
                $this->shapes->leave($this->file->has($item) ? $this->file->classOf($item) : 'missing', 'not drawn');
                $faults[] = $e->getMessage();
            }
        }
        if ($solids === [] && $faults !== [] && $box !== null && $box !== $chosen) {
            foreach ($box->references(3) as $item) {
                array_push($solids, ...$this->shapes->placed($item));
            }
            $faults[] = 'Its box is drawn instead.';
        }

        return [$solids, array_values(array_unique($layers)), $faults === [] ? null : implode(' ', array_slice($faults, 0, 3))];
    }

    /**
     * @param  list<array{Solid, Frame}>  $shape
     * @return list<array{Solid, Frame}>
     */
    private function withoutOpenings(int $number, Frame $place, array $shape): array
    {
        $voids = [];
        foreach ($this->structure->openings[$number] ?? [] as $opening) {
            try {
                $o = $this->file->get($opening);
                $to = $place->inverse()?->after($this->places->local($o->reference(5)));
                if ($to === null) {
                    continue;
                }
                foreach ($this->shapeOf($o)[0] as [$void, $frame]) {
                    $voids[] = $void->moved($to->after($frame));
                }
            } catch (BrokenInstance $e) {
                $this->structure->faults[] = $e->getMessage();
            }
        }
        $cut = [];
        foreach ($voids === [] ? [] : $shape as [$solid, $own]) {
            try {
                $left = Booleans::withoutAll($solid->moved($own), $voids);
                if ($left !== null) {
                    $cut[] = [$left, Frame::none()];
                }
            } catch (TooManyFaces) {
                $this->shapes->leave('IFCOPENINGELEMENT', 'of more faces than are cut with one another: drawn uncut');
                $cut[] = [$solid, $own];
            }
        }

        return $voids === [] ? $shape : $cut;
    }

    /** @return array<string, array<string, int>> what was not drawn as it is, by its class and why, and how often */
    public function leftOut(): array
    {
        return $this->shapes->leftOut;
    }

    /** As people write it: IFCMECHANICALFASTENER is a mechanical fastener. */
    public static function plainClass(string $class): string
    {
        $words = preg_split('~('.self::WORDS.')~', substr($class, 3), -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [$class];

        return ucfirst(strtolower(str_replace([' STANDARD CASE', ' ELEMENTED CASE'], '', implode(' ', $words))));
    }
}
