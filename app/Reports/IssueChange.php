<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\Reports\IssuedMark;
use Parlay\Core\Reports\MarkChange;
use Parlay\Core\Reports\MarkChangeKind;

/** A mark that is told otherwise than in a report before. */
final readonly class IssueChange
{
    /** moved: how far what was found lies from where it was said to be, metres; null where either says nothing. turned: whether its verdict is another. */
    public function __construct(
        public string $name,
        public MarkChangeKind $kind,
        public ?string $verdictBefore,
        public ?string $verdictAfter,
        public ?float $planBefore,
        public ?float $planAfter,
        public ?float $heightBefore,
        public ?float $heightAfter,
        public ?float $moved,
        public bool $turned,
    ) {}

    public static function of(MarkChange $c): self
    {
        return new self(
            name: $c->name(), kind: $c->kind, verdictBefore: $c->before?->verdict, verdictAfter: $c->after?->verdict,
            planBefore: $c->before?->plan, planAfter: $c->after?->plan, heightBefore: $c->before?->height, heightAfter: $c->after?->height,
            moved: self::moved($c->before, $c->after), turned: $c->isTurned(),
        );
    }

    private static function moved(?IssuedMark $a, ?IssuedMark $b): ?float
    {
        return $a === null || $b === null ? null : hypot((float) $b->found[0] - (float) $a->found[0], (float) $b->found[1] - (float) $a->found[1]);
    }
}
