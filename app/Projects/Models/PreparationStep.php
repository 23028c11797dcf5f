<?php

declare(strict_types=1);

namespace App\Projects\Models;

use Illuminate\Database\Eloquent\Model;

/** One thing done while preparing, with the rows before and after: what undo goes back over. */
final class PreparationStep extends Model
{
    public $timestamps = false;

    protected $casts = ['changes' => 'array', 'undone' => 'boolean'];
}
