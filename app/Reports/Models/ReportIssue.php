<?php

declare(strict_types=1);

namespace App\Reports\Models;

use App\Projects\Models\OfProject;
use App\Reports\IssuedFigures;
use Illuminate\Database\Eloquent\Model;

/** A report as it was issued. Rows are only added. */
final class ReportIssue extends Model
{
    use OfProject;

    public $timestamps = false;

    protected $casts = ['scope' => 'array', 'counts' => 'array', 'number' => 'integer'];

    public function figures(): IssuedFigures
    {
        return IssuedFigures::unpacked((string) $this->figures);
    }

    /** The checksum as it is printed: long enough to be told from any other, short enough to be read out. */
    public static function short(string $checksum): string
    {
        return implode(' ', str_split(substr($checksum, 0, 16), 4));
    }
}
