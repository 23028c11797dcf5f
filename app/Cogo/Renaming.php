<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\ListOf;
use Parlay\Core\Points\Order;

/** New names by rule. */
final readonly class Renaming
{
    /**
     * pattern: a text with {name}, {letters}, {digits}, {code}, {number}. endings: for points that share a name, which then share a
     * number. lineFrom, lineTo: for an order along a line. expected: the new names as the preview showed them; where they would differ
     * now, nothing is renamed.
     *
     * @param  list<int>  $ids
     * @param  list<string>  $endings
     * @param  list<string>|null  $expected
     */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
        public string $pattern = '{name}',
        public string $find = '',
        public string $replace = '',
        public int $from = 1,
        public int $step = 1,
        public int $digits = 1,
        #[ListOf('string')]
        public array $endings = [],
        public Order $order = Order::AsListed,
        public ?GivenPlace $lineFrom = null,
        public ?GivenPlace $lineTo = null,
        #[ListOf('string')]
        public ?array $expected = null,
    ) {}
}
