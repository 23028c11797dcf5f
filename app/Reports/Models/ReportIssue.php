<?php

declare(strict_types=1);

namespace App\Reports\Models;

use App\Projects\Models\OfProject;
use App\Reports\IssuedFigures;
use App\Reports\Renumbered;
use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Reports\IssuedMark;

/** A report as it was issued. Rows are only added. */
final class ReportIssue extends Model
{
    use OfProject;

    public $timestamps = false;

    protected $casts = ['scope' => 'array', 'counts' => 'array', 'number' => 'integer', 'renumbered' => 'array'];

    public function figures(): IssuedFigures
    {
        return IssuedFigures::unpacked((string) $this->figures);
    }

    /** @return list<IssuedMark> as they were, with the numbers that their points and marks have here */
    public function marks(): array
    {
        $here = Renumbered::of($this->renumbered);
        $marks = $this->figures()->marks;

        return $here === null ? $marks : array_map($here->mark(...), $marks);
    }

    /** The checksum as it is printed: long enough to be told from any other, short enough to be read out. */
    public static function short(string $checksum): string
    {
        return implode(' ', str_split(substr($checksum, 0, 16), 4));
    }
}
