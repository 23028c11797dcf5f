<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Instrument\Models\QueuedInstruction;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Refusal;

/** What tells the instrument one thing after another with nobody pressing anything: it is asked by the process that holds the link, and hears what came of it. */
interface TellsByItself
{
    /** @return bool whether the instrument was told something */
    public function tick(): bool;

    public function isUnderWay(): bool;

    /** Pointed, or turned: with what it hit, nothing of which is stored. */
    public function hit(QueuedInstruction $instruction, ?RawReading $raw): bool;

    /** The measurement that it had asked for is in the book. */
    public function measured(QueuedInstruction $instruction): void;

    public function refused(QueuedInstruction $instruction, Refusal $why): bool;

    /** The link went. */
    public function lost(): void;
}
