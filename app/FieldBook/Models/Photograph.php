<?php

declare(strict_types=1);

namespace App\FieldBook\Models;

use App\Projects\Models\OfProject;
use Illuminate\Database\Eloquent\Model;

/** A picture that was taken at a shot, with its pixels. */
final class Photograph extends Model
{
    use OfProject;

    public $timestamps = false;

    /** All but the pixels. */
    public const LISTED = ['id', 'project_id', 'observation_id', 'key', 'at', 'caption', 'wide', 'high', 'checksum'];
}
