<?php

declare(strict_types=1);

namespace App\Control;

use Parlay\Core\ListOf;

/** A reissued list of control beside the one in use. */
final readonly class ControlReissued
{
    /**
     * @param  list<MovedControl>  $moved
     * @param  list<string>  $new
     * @param  list<string>  $gone
     */
    public function __construct(
        #[ListOf(MovedControl::class)]
        public array $moved,
        #[ListOf('string')]
        public array $new,
        #[ListOf('string')]
        public array $gone,
        public int $same,
    ) {}
}
