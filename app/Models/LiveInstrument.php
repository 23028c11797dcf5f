<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** The one row that says what the instrument said last. */
final class LiveInstrument extends Model
{
    public $timestamps = false;

    protected $connection = 'live';

    protected $table = 'instrument';

    protected $casts = ['status' => 'array', 'reading' => 'array', 'heard_at' => 'float', 'retry_at' => 'float', 'reading_at' => 'float'];

    public static function now(): self
    {
        return self::query()->findOrFail(1);
    }
}
