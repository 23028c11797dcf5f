<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\Setups\SetupEntry;
use App\Stakeout\MarkEntry;

final readonly class BookEntry
{
    /**
     * @param  int  $seq  its place in the book, which no clock decides; a page goes on before it
     * @param  float|null  $clockJump  seconds by which the clock was set since the line before, back where negative; null where it ran on
     */
    public function __construct(
        public string $kind,
        public int $id,
        public string $at,
        public int $seq,
        public ?float $clockJump,
        public ?ObservationEntry $reading,
        public ?SetupEntry $setup,
        public ?MarkEntry $mark,
    ) {}
}
