<?php

declare(strict_types=1);

namespace App\Points\Models;

use App\Points\TypedCode;
use Illuminate\Database\Eloquent\Model;

/** What a code of points means. */
final class Code extends Model
{
    public $timestamps = false;

    protected $attributes = ['colour' => null, 'plan_tolerance' => null, 'height_tolerance' => null, 'judged' => ''];

    /** @throws \DomainException with what is wrong of it, and what would do */
    public static function check(TypedCode $typed): void
    {
        if (trim($typed->code) === '' || mb_strlen($typed->code) > 60) {
            throw new \DomainException('A code needs a text of at most 60 characters.');
        }
        if (preg_match('~\R~u', $typed->code.$typed->description.$typed->trade.$typed->mark) === 1) {
            throw new \DomainException('What a code means is written on one line: take the line break out.');
        }
        if ($typed->colour !== null && preg_match('~^#[0-9a-fA-F]{6}$~', $typed->colour) !== 1) {
            throw new \DomainException('A colour is # and six digits of 0 to 9 and a to f, such as #a04020.');
        }
        foreach ([$typed->planTolerance, $typed->heightTolerance] as $tolerance) {
            if ($tolerance !== null && $tolerance <= 0.0) {
                throw new \DomainException('A tolerance must be more than 0. Leave it empty for the project’s.');
            }
        }
    }

    protected $casts = ['plan_tolerance' => 'float', 'height_tolerance' => 'float'];
}
