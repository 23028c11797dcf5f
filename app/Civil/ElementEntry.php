<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Civil\Alignments\ElementKind;
use Parlay\Core\Civil\Alignments\TransitionLaw;

final readonly class ElementEntry
{
    /**
     * @param  float  $begins  metres from the start of the alignment
     * @param  float|null  $radiusFrom  metres, right positive; null where it is straight
     * @param  float|null  $parameter  A of a clothoid from or to the straight, metres
     * @param  float  $azimuth  in which it leaves, radians
     */
    public function __construct(
        public ElementKind $kind,
        public float $begins,
        public float $length,
        public float $azimuth,
        public ?float $radiusFrom,
        public ?float $radiusTo,
        public ?float $parameter,
        public ?TransitionLaw $law,
    ) {}

    public static function of(Element $e, float $begins): self
    {
        return new self(
            kind: $e->kind,
            begins: $begins,
            length: $e->length,
            azimuth: $e->azimuth,
            radiusFrom: $e->from === 0.0 ? null : 1 / $e->from,
            radiusTo: $e->to === 0.0 ? null : 1 / $e->to,
            parameter: $e->parameter(),
            law: $e->kind === ElementKind::Spiral ? $e->law : null,
        );
    }
}
