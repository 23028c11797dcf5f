<?php

declare(strict_types=1);

namespace App\Reports\Models;

use App\Projects\Models\OfProject;
use Illuminate\Database\Eloquent\Model;

/** Columns of the report's table, in their order, under a name. */
final class TableLayout extends Model
{
    use OfProject;

    public $timestamps = false;

    protected $casts = ['columns' => 'array'];

    /** @return list<string> */
    public function names(): array
    {
        return array_values(array_map(strval(...), (array) $this->columns));
    }
}
