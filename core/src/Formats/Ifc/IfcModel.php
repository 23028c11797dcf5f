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

    /** @throws UnreadableStep where its schema is none Parlay reads */
    public function __construct(public readonly StepFile $file)
    {
        if (preg_match('~^IFC(2X3|4)~', $file->schema) !== 1) {
            throw UnreadableStep::otherSchema($file->schema);
        }
        $this->units = IfcUnits::of($file);
        $this->places = new IfcPlaces($file, $this->units->length);
        $this->curves = new IfcCurves($file, $this->places, $this->units);
        $this->shapes = new IfcShapes($file, $this->places, $this->curves, new IfcProfiles($file, $this->places, $this->curves));
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
        $map = MapConversion::of($this->file, $this->units->length);
        $scale = $this->scale($unit);
        $whole = ($placement ?? Frame::none())->after(new Frame($scale, 0.0, 0.0, 0.0, 0.0, $scale, 0.0, 0.0, 0.0, 0.0, $scale, 0.0));

        return $map === null ? $whole : $whole->after($map->frame);
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
        foreach (array_keys($this->things()) as $class) {
            foreach ($this->file->of($class) as $number) {
                try {
                    $element = $this->element($number);
                } catch (BrokenInstance $e) {
                    $this->structure->faults[] = $e->getMessage();
                    $this->shapes->leave($class, 'can’t be read');

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
        $place = Frame::none();
        try {
            $place = $this->places->local($i->reference(5));
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

    /** A class whose instances have an id, a placement and a shape. */
    private function isThing(string $class): bool
    {
        if (in_array($class, self::NO_THINGS, true) || str_starts_with($class, 'IFCREL') || str_ends_with($class, 'TYPE') || str_ends_with($class, 'STYLE')) {
            return false;
        }
        // Points and the like have no id, and there may be millions of them; of what has one, the first that is placed or shown tells.
        $withoutId = 0;
        foreach ($this->file->of($class) as $number) {
            try {
                $i = $this->file->get($number);
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
        $best = 100;
        foreach ($this->file->get($product)->references(2) as $number) {
            $r = $this->file->get($number);
            $identifier = strtolower($r->text(1) ?? '');
            $rank = in_array($identifier, self::NO_SHAPES, true) ? 100 : self::SHAPES[$identifier] ?? self::OTHER_SHAPE;
            $rank = $r->text(2) === 'BoundingBox' ? self::SHAPES['box'] : $rank;
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
        foreach ($chosen->references(3) as $item) {
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
        foreach ($this->structure->openings[$number] ?? [] as $opening) {
            try {
                $o = $this->file->get($opening);
                $to = $place->inverse()?->after($this->places->local($o->reference(5)));
                if ($to === null) {
                    continue;
                }
                foreach ($this->shapeOf($o)[0] as [$void, $frame]) {
                    $tool = $void->moved($to->after($frame));
                    $cut = [];
                    foreach ($shape as [$solid, $own]) {
                        $left = Booleans::difference($solid->moved($own), $tool);
                        if ($left !== null) {
                            $cut[] = [$left, Frame::none()];
                        }
                    }
                    $shape = $cut;
                }
            } catch (BrokenInstance $e) {
                $this->structure->faults[] = $e->getMessage();
            } catch (TooManyFaces) {
                $this->shapes->leave('IFCOPENINGELEMENT', 'of more faces than are cut with one another: drawn uncut');
            }
        }

        return $shape;
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
