<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Clock;
use Illuminate\Support\Facades\DB;

/** How far a piece of longer work has come, told now and then; and whether somebody wants it stopped. */
final class Progress
{
    private const EVERY = 0.2;

    private float $toldAt = 0.0;

    public function __construct(private readonly int $taskId) {}

    /**
     * @param  float  $part  0 to 1
     *
     * @throws Cancelled
     */
    public function tell(float $part, string $doing): void
    {
        $now = Clock::steady();
        if ($now - $this->toldAt < self::EVERY) {
            return;
        }
        $this->toldAt = $now;
        DB::connection('live')->table('task_progress')
            ->upsert([['task_id' => $this->taskId, 'part' => $part, 'doing' => $doing]], ['task_id'], ['part', 'doing']);
        $this->stopIfCancelled();
    }

    /** Asked at once before something is stored for good. */
    public function stopIfCancelled(): void
    {
        if (DB::connection('live')->table('task_progress')->where('task_id', $this->taskId)->value('cancelled')) {
            throw new Cancelled('Stopped, as you asked. Nothing of it was stored.');
        }
    }

    public static function cancel(int $taskId): void
    {
        DB::connection('live')->table('task_progress')->upsert([['task_id' => $taskId, 'cancelled' => true]], ['task_id'], ['cancelled']);
    }

    /** @return array{float, string} */
    public static function of(int $taskId): array
    {
        $row = DB::connection('live')->table('task_progress')->where('task_id', $taskId)->first();

        return [(float) ($row->part ?? 0), (string) ($row->doing ?? '')];
    }
}
