<?php

declare(strict_types=1);

namespace App\Stakeout\Models;

use App\Stakeout\StepState;
use Illuminate\Database\Eloquent\Model;

/** One point of a run. */
final class RunStep extends Model
{
    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = [
        'why' => '', 'tries' => 0, 'attempt' => 0, 'miss' => null, 'mark_id' => null, 'point_id' => null, 'aim_id' => null,
        'aim_version' => null,
    ];

    protected $casts = [
        'state' => StepState::class, 'miss' => 'array', 'place' => 'integer', 'tries' => 'integer', 'attempt' => 'integer',
        'point_id' => 'integer', 'aim_id' => 'integer', 'aim_version' => 'integer', 'mark_id' => 'integer',
    ];

    /** What the instrument is told for it, each time under another name. */
    public function key(string $what): string
    {
        return "run-{$this->run_id}-{$this->place}-{$this->attempt}-$what";
    }
}
