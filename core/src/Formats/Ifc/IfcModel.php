<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Booleans;
use Parlay\Core\Buildings\Element;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Buildings\Storey;
use Parlay\Core\Buildings\TooManyFaces;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Units\Angle;
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

    public readonly IfcUnits $units;

    public readonly IfcStructure $structure;

    public readonly IfcProperties $properties;

    public readonly IfcPlaces $places;

    public readonly IfcThings $things;

    public readonly IfcGrids $grids;

    /** @var array{MapConversion|null}|null once it was looked for, which takes all property sets */
    private ?array $map = null;

    private readonly IfcShapes $shapes;

    private readonly IfcCurves $curves;

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
        $this->structure = new IfcStructure($file);
        $this->things = new IfcThings($file, $this->structure);
        $this->grids = new IfcGrids($file, $this->places, $this->curves, $this->structure);
        $this->places->setGrid($this->grids->place(...));
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
        return ($this->map ??= [MapConversion::of($this->file, $this->units->length)])[0];
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
        foreach (array_keys($this->things->counts()) as $class) {
            foreach ($this->file->of($class) as $number) {
                try {
                    if ($class === 'IFCSITE' && $this->file->get($number)->reference(6) === null) {
                        continue;
                    }
                    $element = $this->element($number);
                } catch (BrokenInstance $e) {
                    $this->structure->faults[] = IfcThings::plainClass($class)." “{$this->nameOf($number)}” was left out: {$e->getMessage()}";
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
            class: IfcThings::plainClass($i->class),
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
}
