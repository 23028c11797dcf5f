<?php

declare(strict_types=1);

namespace App\Tasks\Models;

use Illuminate\Database\Eloquent\Model;

/** Work that may take over a second and so runs beside the web requests. */
final class Task extends Model
{
    public $timestamps = false;

    protected $casts = ['input' => 'array', 'result' => 'array'];
}
