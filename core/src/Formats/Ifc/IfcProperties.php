<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\Reference;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\Typed;
use Parlay\Core\Formats\Step\Word;

/** What the file says of its things beside their shape: properties and quantities, of themselves and of their types, material, classification. */
final class IfcProperties
{
    /** Of one thing; more is no help to anybody who touches it. */
    private const MOST = 40;

    private const DEEPEST = 5;

    /** @var array{properties: array<int, list<int>>, material: array<int, list<int>>, classification: array<int, list<int>>}|null what belongs to a thing */
    private ?array $of = null;

    /** @var array{int, array<string, string>}|null */
    private ?array $last = null;

    /** @var array<int, array<string, string>> sets that were read, for those who share them */
    private array $sets = [];

    public function __construct(private readonly StepFile $file, private readonly IfcStructure $structure) {}

    /** @return array{properties: array<int, list<int>>, material: array<int, list<int>>, classification: array<int, list<int>>} */
    private function relations(): array
    {
        $of = ['properties' => [], 'material' => [], 'classification' => []];
        foreach ([
            'properties' => 'IFCRELDEFINESBYPROPERTIES', 'material' => 'IFCRELASSOCIATESMATERIAL', 'classification' => 'IFCRELASSOCIATESCLASSIFICATION',
        ] as $kind => $class) {
            foreach ($this->file->of($class) as $number) {
                try {
                    $r = $this->file->get($number);
                } catch (BrokenInstance $e) {
                    $this->structure->faults[] = $e->getMessage();

                    continue;
                }
                foreach ($r->references(4) as $thing) {
                    $of[$kind][$thing][] = (int) $r->reference(5);
                }
            }
        }

        return $of;
    }

    /** @param  array<string, string>  $said  of a thing that is asked about next */
    public function remember(int $thing, array $said): void
    {
        $this->last = [$thing, $said];
    }

    /** @return array<string, string> what is said of a thing, by its name; what it says itself goes before what its type says */
    public function of(int $thing): array
    {
        if ($this->last !== null && $this->last[0] === $thing) {
            return $this->last[1];
        }
        $this->of ??= $this->relations();
        $type = $this->structure->types[$thing] ?? null;
        $said = [];
        foreach ([$thing, $type] as $number) {
            foreach ($number === null ? [] : $this->of['material'][$number] ?? [] as $m) {
                $said['material'] ??= $this->tried(fn (): string => $this->material($m, 0), '');
            }
            foreach ($number === null ? [] : $this->of['classification'][$number] ?? [] as $c) {
                $said['classification'] ??= $this->tried(fn (): string => trim(($this->file->get($c)->text(1) ?? '').' '.($this->file->get($c)->text(2) ?? '')), '');
            }
        }
        $sets = $this->of['properties'][$thing] ?? [];
        if ($type !== null) {
            $sets = [...$sets, ...$this->tried(fn (): array => $this->file->get($type)->references(5), []), ...$this->of['properties'][$type] ?? []];
        }
        foreach ($sets as $set) {
            $said += $this->sets[$set] ??= $this->tried(fn (): array => $this->set($this->file->get($set)), []);
        }

        return array_slice(array_filter($said, static fn (string $v): bool => $v !== ''), 0, self::MOST, true);
    }

    /** @return array<string, string> */
    private function set(Instance $set): array
    {
        return $this->read($set->references($set->class === 'IFCELEMENTQUANTITY' ? 5 : 4), '', 0);
    }

    /**
     * @param  list<int>  $properties
     * @param  string  $of  what they are parts of, with a colon; empty where of nothing
     * @return array<string, string>
     *
     * @throws BrokenInstance
     */
    private function read(array $properties, string $of, int $depth): array
    {
        $said = [];
        foreach ($properties as $number) {
            $p = $this->file->get($number);
            $name = $p->text(0) ?? '';
            $parts = match ($p->class) {
                'IFCCOMPLEXPROPERTY' => $p->references(3),
                'IFCPHYSICALCOMPLEXQUANTITY' => $p->references(2),
                default => null,
            };
            if ($parts !== null && $depth < self::DEEPEST) {
                $said += $this->read($parts, "$of$name: ", $depth + 1);
            } elseif ($name !== '') {
                $said[$of.$name] ??= $this->value($p);
            }
        }

        return $said;
    }

    private function value(Instance $p): string
    {
        return match (true) {
            str_starts_with($p->class, 'IFCQUANTITY') => self::words($p->attributes[3] ?? null),
            $p->class === 'IFCPROPERTYSINGLEVALUE' => self::words($p->attributes[2] ?? null),
            $p->class === 'IFCPROPERTYENUMERATEDVALUE', $p->class === 'IFCPROPERTYLISTVALUE' => self::words($p->list(2)),
            $p->class === 'IFCPROPERTYBOUNDEDVALUE' => self::bounded($p),
            $p->class === 'IFCPROPERTYTABLEVALUE' => self::table($p),
            $p->class === 'IFCPROPERTYREFERENCEVALUE' => $this->named($p->reference(3)),
            default => '',
        };
    }

    /** Between two bounds, or on one side of one; what it is set to goes before. */
    private static function bounded(Instance $p): string
    {
        [$most, $least, $set] = array_map(static fn (int $k): string => self::words($p->attributes[$k] ?? null), [2, 3, 5]);
        $bounds = match (true) {
            $least !== '' && $most !== '' => "$least to $most",
            $least !== '' => "at least $least",
            $most !== '' => "at most $most",
            default => '',
        };

        return $set === '' || $bounds === '' ? $set.$bounds : "$set ($bounds)";
    }

    private static function table(Instance $p): string
    {
        $of = static fn (int $k): array => array_map(self::words(...), $p->list($k));

        return implode(', ', array_map(static fn (?string $at, ?string $value): string => "$at: $value", $of(2), $of(3)));
    }

    /** By the first words that something says of itself. */
    private function named(?int $number): string
    {
        if ($number === null) {
            return '';
        }
        $of = $this->file->get($number);
        foreach (array_keys($of->attributes) as $k) {
            $text = $of->text($k) ?? '';
            if ($text !== '') {
                return $text;
            }
        }

        return '';
    }

    private static function words(mixed $value): string
    {
        return match (true) {
            $value instanceof Typed => self::words($value->values[0] ?? null),
            $value instanceof Word => ['T' => 'yes', 'F' => 'no', 'U' => ''][$value->word] ?? strtolower($value->word),
            is_float($value) => rtrim(rtrim(sprintf('%.6F', $value), '0'), '.'),
            is_int($value), is_string($value) => (string) $value,
            is_array($value) => implode(', ', array_filter(array_map(self::words(...), $value), static fn (string $v): bool => $v !== '')),
            default => '',
        };
    }

    /** The name of a material, or of those something is made of. */
    private function material(int $number, int $depth): string
    {
        $m = $this->file->get($number);
        if ($depth > self::DEEPEST || $m->class === 'IFCMATERIAL') {
            return $m->text(0) ?? '';
        }
        $inner = match ($m->class) {
            'IFCMATERIALLAYERSETUSAGE', 'IFCMATERIALPROFILESETUSAGE', 'IFCMATERIALLAYER' => [$m->attributes[0] ?? null],
            'IFCMATERIALLAYERSET', 'IFCMATERIALLIST' => $m->list(0),
            'IFCMATERIALPROFILESET', 'IFCMATERIALCONSTITUENTSET' => $m->list(2),
            'IFCMATERIALPROFILE', 'IFCMATERIALCONSTITUENT' => [$m->attributes[2] ?? null],
            default => [],
        };
        $names = [];
        foreach ($inner as $i) {
            if ($i instanceof Reference) {
                $names[] = $this->material($i->number, $depth + 1);
            }
        }

        return implode(', ', array_unique(array_filter($names, static fn (string $n): bool => $n !== '')));
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $read
     * @param  T  $else
     * @return T
     */
    private function tried(\Closure $read, mixed $else): mixed
    {
        try {
            return $read();
        } catch (BrokenInstance $e) {
            $this->structure->faults[] = $e->getMessage();

            return $else;
        }
    }
}
