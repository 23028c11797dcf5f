<?php

declare(strict_types=1);

namespace App\Examples;

/** Spots of things that already stand, to be control. */
final readonly class ControlOfExample
{
    /** planDeviation, heightDeviation: standard deviations of what stands against what the model says, metres. */
    public function __construct(
        public ExampleWanted $example,
        public float $planDeviation,
        public float $heightDeviation,
        public string $code = '',
    ) {}
}
