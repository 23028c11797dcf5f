<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\StepFile;

/** Which classes of a file are things that could be set out, and what they are called. */
final class IfcThings
{
    /** Not things but places, or what is not there. */
    private const NO_THINGS = [
        'IFCSITE', 'IFCBUILDING', 'IFCBUILDINGSTOREY', 'IFCSPACE', 'IFCOPENINGELEMENT', 'IFCOPENINGSTANDARDCASE', 'IFCGRID', 'IFCANNOTATION',
        'IFCVIRTUALELEMENT', 'IFCPROJECT', 'IFCSPATIALZONE', 'IFCEXTERNALSPATIALELEMENT', 'IFCVOIDINGFEATURE', 'IFCPORT', 'IFCDISTRIBUTIONPORT',
    ];

    /** Of which the names of classes are put together. */
    private const WORDS = 'STANDARD|ELEMENTED|CASE|BUILDING|ELEMENT|PROXY|MECHANICAL|FASTENER|DISCRETE|ACCESSORY|REINFORCING|BAR|MESH|CURTAIN|WALL'
        .'|FLOW|SEGMENT|FITTING|TERMINAL|CONTROLLER|PIPE|DUCT|CABLE|CARRIER|STAIR|RAMP|FLIGHT|FURNISHING|ASSEMBLY|PART|TENDON|ANCHOR|DISTRIBUTION'
        .'|CHAMBER|TRANSPORT|CIVIL|GEOGRAPHIC|SYSTEM|SHADING|DEVICE|EARTHWORKS|COURSE';

    /** @var array<string, int>|null */
    private ?array $counts = null;

    /** @var array<int, true>|null */
    private ?array $cutting = null;

    public function __construct(private readonly StepFile $file, private readonly IfcStructure $structure) {}

    /** @return array<string, int> how many there are of each class */
    public function counts(): array
    {
        return $this->counts ??= array_filter($this->file->counts(), $this->isThing(...), ARRAY_FILTER_USE_KEY);
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

    /** As people write it: IFCMECHANICALFASTENER is a mechanical fastener. */
    public static function plainClass(string $class): string
    {
        $words = preg_split('~('.self::WORDS.')~', substr($class, 3), -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [$class];

        return ucfirst(strtolower(str_replace([' STANDARD CASE', ' ELEMENTED CASE'], '', implode(' ', $words))));
    }
}
