<?php

declare(strict_types=1);

namespace App\Examples;

final readonly class ExampleToKeep
{
    public function __construct(
        public ExampleWanted $example,
        public string $code = '',
        public string $description = '',
    ) {}
}
