<?php

declare(strict_types=1);

namespace App\Points\Http;

/** Where a label stands, metres from its point; both null puts it back beside it. */
final readonly class LabelBody
{
    public function __construct(
        public ?float $north,
        public ?float $east,
    ) {}
}
