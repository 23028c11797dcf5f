<?php

declare(strict_types=1);

namespace Tests;

use App\Practice\StandInDriver;
use Parlay\Core\Instrument\Instruction;
use Parlay\Core\Instrument\LinkLost;
use Parlay\Core\Instrument\TotalStation;
use Parlay\Simulator\Message;
use Parlay\Simulator\StandIn;

/** The stand-in in this process, in a time of its own: nobody waits, and what happens between two of its reports can be played. */
final class StandInAtHand implements TotalStation
{
    private const TURN = 0.05;

    public float $now = 0.0;

    public int $dots = 0;

    /** @var list<Message> */
    private array $said = [];

    private float $status = 0.0;

    /** @param  \Closure(self): void  $between  called before each look at what was reported; may throw LinkLost */
    public function __construct(public readonly StandIn $instrument, private readonly \Closure $between) {}

    public function open(): void
    {
        $this->said = [$this->instrument->status()];
    }

    public function send(int $number, Instruction $instruction): void
    {
        $this->dots += $instruction->kind->value === 'dot' ? 1 : 0;
        array_push($this->said, ...$this->instrument->instruct($number, $instruction, $this->now));
    }

    /** @throws LinkLost */
    public function reports(float $seconds): array
    {
        ($this->between)($this);
        array_push($this->said, ...$this->instrument->tick($this->now += self::TURN));
        if ($this->now - $this->status > 0.5) {
            $this->status = $this->now;
            $this->said[] = $this->instrument->status();
        }
        $reports = array_filter(array_map(
            // By the number that the tests' setups were made with.
            static fn (Message $m) => StandInDriver::report(
                (isset($m->fields['serial']) ? ['serial' => StandIn::serial(1)] : []) + (array) json_decode($m->line(), true),
            ), $this->said,
        ));
        $this->said = [];

        return array_values($reports);
    }

    public function close(): void {}
}
