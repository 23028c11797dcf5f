<?php

declare(strict_types=1);

namespace App\Points\Models;

use Illuminate\Database\Eloquent\Model;

/** What a code of points means. */
final class Code extends Model
{
    public $timestamps = false;

    protected $attributes = ['colour' => null, 'plan_tolerance' => null, 'height_tolerance' => null];

    protected $casts = ['plan_tolerance' => 'float', 'height_tolerance' => 'float'];
}
