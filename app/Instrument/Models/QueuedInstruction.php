<?php

declare(strict_types=1);

namespace App\Instrument\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Something the instrument was told through a web request, and what became of it.
 *
 * @property int $id
 * @property string $key
 * @property int $project_id  who told it; nobody else learns what became of it
 * @property string $kind
 * @property array<string, float|bool|string> $content
 * @property array<string, mixed>|null $purpose
 * @property array<string, mixed>|null $asked  the wish behind the key it came under
 * @property string $state
 * @property string|null $why
 * @property int|null $observation_id
 * @property int|null $mark_id  that the reading was stored as
 * @property array{message: string, reason: string|null, evidence: array<string, mixed>}|null $asks  why it was not stored as a mark
 */
final class QueuedInstruction extends Model
{
    public $timestamps = false;

    protected $connection = 'live';

    protected $table = 'instructions';

    protected $casts = ['content' => 'array', 'purpose' => 'array', 'asked' => 'array', 'asks' => 'array'];
}
