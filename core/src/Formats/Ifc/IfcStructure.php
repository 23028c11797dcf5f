<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;

/** Who belongs to whom in the file: storeys, types, parts, openings, materials, classifications, properties, layers. */
final class IfcStructure
{
    /** @var array<int, int> the place in the building an element is in, by element */
    public array $within = [];

    /** @var array<int, int> what an element is a part of */
    public array $partOf = [];

    /** @var array<int, int> */
    public array $types = [];

    /** @var array<int, list<int>> openings in an element */
    public array $openings = [];

    /** @var array<int, list<string>> by the representation or item */
    public array $layers = [];

    /** @var list<string> what could not be followed */
    public array $faults = [];

    public function __construct(private readonly StepFile $file)
    {
        $this->each(['IFCRELCONTAINEDINSPATIALSTRUCTURE', 'IFCRELREFERENCEDINSPATIALSTRUCTURE'], function (Instance $r): void {
            foreach ($r->references(4) as $element) {
                $this->within[$element] ??= (int) $r->reference(5);
            }
        });
        $this->each(['IFCRELAGGREGATES', 'IFCRELNESTS'], function (Instance $r): void {
            foreach ($r->references(5) as $part) {
                $this->partOf[$part] ??= (int) $r->reference(4);
            }
        });
        $this->each(['IFCRELDEFINESBYTYPE'], function (Instance $r): void {
            foreach ($r->references(4) as $element) {
                $this->types[$element] ??= (int) $r->reference(5);
            }
        });
        $this->each(['IFCRELVOIDSELEMENT'], function (Instance $r): void {
            $this->openings[(int) $r->reference(4)][] = (int) $r->reference(5);
        });
        $this->each(['IFCPRESENTATIONLAYERASSIGNMENT', 'IFCPRESENTATIONLAYERWITHSTYLE'], function (Instance $r): void {
            foreach ($r->references(2) as $item) {
                $this->layers[$item][] = $r->text(0) ?? '';
            }
        });
    }

    /** The nearest place above an element that is of a class: its storey, say. */
    public function above(int $element, string $class): ?int
    {
        $at = $element;
        for ($depth = 0; $depth < 100; $depth++) {
            $at = $this->within[$at] ?? $this->partOf[$at] ?? null;
            if ($at === null || ! $this->file->has($at)) {
                return null;
            }
            if ($this->file->classOf($at) === $class) {
                return $at;
            }
        }

        return null;
    }

    /** @param  list<string>  $classes */
    private function each(array $classes, \Closure $take): void
    {
        foreach ($classes as $class) {
            foreach ($this->file->of($class) as $number) {
                try {
                    $take($this->file->get($number));
                } catch (BrokenInstance $e) {
                    $this->faults[] = $e->getMessage();
                }
            }
        }
    }
}
