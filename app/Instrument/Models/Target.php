<?php

declare(strict_types=1);

namespace App\Instrument\Models;

use App\Projects\Models\OfProject;
use Illuminate\Database\Eloquent\Model;

/** What is sighted, with the constant and the height it usually has. */
final class Target extends Model
{
    use OfProject;

    public $timestamps = false;

    protected $casts = ['prism_constant' => 'float', 'height' => 'float'];
}
