<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** Something the instrument was told through a web request, and what became of it. */
final class QueuedInstruction extends Model
{
    public $timestamps = false;

    protected $connection = 'live';

    protected $table = 'instructions';

    protected $casts = ['content' => 'array', 'purpose' => 'array'];
}
