<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Units\LengthUnit;

/** What a length and an angle of the file are, in metres and radians. */
final readonly class IfcUnits
{
    private const PREFIXES = [
        'EXA' => 1e18, 'PETA' => 1e15, 'TERA' => 1e12, 'GIGA' => 1e9, 'MEGA' => 1e6, 'KILO' => 1e3, 'HECTO' => 1e2, 'DECA' => 1e1,
        'DECI' => 1e-1, 'CENTI' => 1e-2, 'MILLI' => 1e-3, 'MICRO' => 1e-6, 'NANO' => 1e-9,
    ];

    /** @param  bool  $said  false where the file names no unit of length, and metres are taken */
    public function __construct(public float $length, public float $angle, public bool $said) {}

    public static function of(StepFile $file): self
    {
        $found = ['LENGTHUNIT' => null, 'PLANEANGLEUNIT' => null];
        foreach ($file->of('IFCPROJECT') as $project) {
            try {
                $units = $file->get($project)->reference(8);
                foreach ($units === null ? [] : $file->get($units)->references(0) as $number) {
                    $unit = $file->get($number);
                    $kind = $unit->word(1);
                    if ($kind !== null && array_key_exists($kind, $found)) {
                        $found[$kind] ??= self::factor($file, $unit, 0);
                    }
                }
            } catch (BrokenInstance) {
                // The next project, or none: it is said that no unit was found.
            }
        }

        return new self($found['LENGTHUNIT'] ?? 1.0, $found['PLANEANGLEUNIT'] ?? 1.0, $found['LENGTHUNIT'] !== null);
    }

    /** The unit by its name; metres where it is none of those Parlay knows. */
    public function named(): LengthUnit
    {
        return LengthUnit::ofMetres($this->length) ?? LengthUnit::Metre;
    }

    /** Of a unit, in the SI's own; null where it says none, or one that is no number above 0. */
    public static function factor(StepFile $file, Instance $unit, int $depth): ?float
    {
        if ($unit->class === 'IFCSIUNIT') {
            $prefix = $unit->word(2);

            return $prefix === null ? 1.0 : self::PREFIXES[$prefix] ?? null;
        }
        $measure = str_starts_with($unit->class, 'IFCCONVERSIONBASEDUNIT') ? $unit->reference(3) : null;
        if ($measure === null || $depth > 5) {
            return null;
        }
        $with = $file->get($measure);
        $base = $with->reference(1);
        $value = $with->number(0);
        $factor = $base === null || $value === null ? null : $value * (self::factor($file, $file->get($base), $depth + 1) ?? NAN);

        return $factor !== null && is_finite($factor) && $factor > 0.0 ? $factor : null;
    }
}
