<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use Parlay\Core\Cogo\Quantity;
use Parlay\Core\Cogo\QuantityKind;

final readonly class FigureResource
{
    /** value: metres, radians, square metres or a ratio, as the kind says; null where it is without bound. */
    public function __construct(
        public string $word,
        public QuantityKind $kind,
        public ?float $value,
    ) {}

    public static function of(Quantity $f): self
    {
        return new self($f->word, $f->kind, is_finite($f->value) ? $f->value : null);
    }
}
