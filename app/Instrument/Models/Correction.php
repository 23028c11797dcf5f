<?php

declare(strict_types=1);

namespace App\Instrument\Models;

use Illuminate\Database\Eloquent\Model;

/** A target height or a constant that turned out to have been another; the reading itself stays as it is. */
final class Correction extends Model
{
    public $timestamps = false;

    protected $casts = ['target_height' => 'float', 'prism_constant' => 'float'];
}
