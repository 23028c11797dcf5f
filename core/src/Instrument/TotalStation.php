<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/**
 * All that Parlay knows of an instrument. A driver turns instructions into its instrument's own language and answers into reports.
 *
 * Nothing blocks but reports(), and that no longer than asked: one process holds the link, gives instructions as they come and
 * writes down what is reported.
 */
interface TotalStation
{
    /** @throws LinkLost where nobody answers */
    public function open(): void;

    /**
     * Begins what is asked; how it ended comes as a report with the same number.
     *  @throws LinkLost
     */
    public function send(int $number, Instruction $instruction): void;

    /**
     * What was reported since, waiting at most so long for the first.
     *  @return list<InstrumentReport>
     *  @throws LinkLost
     */
    public function reports(float $seconds): array;

    /** Hangs up; nothing happens where the link is down already. */
    public function close(): void;
}
