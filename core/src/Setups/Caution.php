<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\ListOf;

/** Something that a setup can't prove, or that speaks against it, with what it is about. The words are made elsewhere. */
final readonly class Caution
{
    /**
     * @param  list<string>  $names  of marks
     * @param  float|null  $value  as its kind says
     * @param  float|null  $deviation  standard deviation of the value
     */
    private function __construct(
        public CautionKind $kind,
        #[ListOf('string')]
        public array $names = [],
        public ?float $value = null,
        public ?float $deviation = null,
    ) {}

    /** About the setup as a whole. */
    public static function that(CautionKind $kind): self
    {
        return new self($kind);
    }

    /** About these marks. */
    public static function of(CautionKind $kind, string ...$marks): self
    {
        return new self($kind, array_values($marks));
    }

    /**
     * @param  float  $value  as the kind says
     * @param  float|null  $deviation  its standard deviation
     */
    public static function by(CautionKind $kind, float $value, ?float $deviation = null): self
    {
        return new self($kind, [], $value, $deviation);
    }

    /** A sentence that was kept when cautions were sentences. */
    public static function asKept(string $sentence): self
    {
        return new self(CautionKind::AsKept, [$sentence]);
    }

    /**
     * One that was kept field by field.
     *
     * @param  list<string>  $names
     */
    public static function kept(CautionKind $kind, array $names, ?float $value, ?float $deviation): self
    {
        return new self($kind, $names, $value, $deviation);
    }
}
