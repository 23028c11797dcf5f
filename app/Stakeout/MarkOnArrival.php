<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Instrument\Purpose;
use App\Instrument\TakesReading;
use App\NeedsConfirmation;
use App\Projects\Models\Project;
use App\Stakeout\Actions\StoreMark;
use App\Typed\Values;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OffsetShot;
use Parlay\Core\Units\SaysLengths;

/**
 * Stores a reading as the mark it was measured for, in the process that holds the link, so that no page carries it there: a page that is
 * gone by then loses nothing. What must be decided by a person, or can't be, is told with the instruction; the reading is in the book.
 */
final readonly class MarkOnArrival implements TakesReading
{
    public function __construct(private StoreMark $store) {}

    /**
     * The wish, to lie beside the instruction until the reading comes.
     *
     * @return array<string, mixed>|null
     */
    public static function wish(MeasureOrder $order): ?array
    {
        return $order->mark === null ? null : [
            'pointId' => $order->pointId, 'controlId' => $order->controlId, 'aimId' => $order->aimId, 'aimVersion' => $order->aimVersion,
        ] + get_object_vars($order->mark);
    }

    public function take(Project $project, Observation $reading, QueuedInstruction $instruction, array $purpose): void
    {
        if (isset($purpose['mark'])) {
            $this->store($project, $reading, $instruction, $purpose['mark']);
        }
    }

    /** @param  array<string, mixed>  $wish */
    private function store(Project $project, Observation $observation, QueuedInstruction $instruction, array $wish): void
    {
        try {
            $instruction->mark_id = ($this->store)($project, new MarkToStore(
                ...[
                    'key' => "{$instruction->key}-mark", 'observationId' => $observation->id, 'kind' => Purpose::from($observation->purpose),
                    // Beside the instruction it lies as a word.
                    'judged' => Judged::tryFrom((string) ($wish['judged'] ?? '')),
                    'offset' => isset($wish['offset']) ? Values::of((array) $wish['offset'], OffsetShot::class) : null,
                    'foundFrom' => isset($wish['foundFrom']) ? Values::of((array) $wish['foundFrom'], FoundFrom::class) : null,
                    'dot' => isset($wish['dot']) ? Values::of((array) $wish['dot'], DotMarked::class) : null,
                ] + $wish,
            ))->id;
        } catch (NeedsConfirmation $e) {
            $instruction->asks = ['message' => $e->getMessage(), 'reason' => $e->reason, 'evidence' => $e->evidence];
        } catch (\DomainException $e) {
            $instruction->asks = ['message' => $e instanceof SaysLengths ? $e->in($project->length_style) : $e->getMessage(), 'reason' => null, 'evidence' => []];
        }
    }
}
