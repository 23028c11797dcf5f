<?php

declare(strict_types=1);

namespace App\Points\Models;

use App\Points\TypedCode;
use App\Projects\Models\OfProject;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Stakeout\Tolerance;

/** What a code of points means. */
final class Code extends Model
{
    use OfProject;

    public $timestamps = false;

    protected $attributes = ['colour' => null, 'plan_tolerance' => null, 'height_tolerance' => null, 'above_tolerance' => null, 'judged' => ''];

    protected $casts = ['plan_tolerance' => 'float', 'height_tolerance' => 'float', 'above_tolerance' => 'float'];

    /** Of what a code stands for: its own, or else the project's. */
    public static function toleranceOf(Project $project, string $code = ''): Tolerance
    {
        $own = $code === '' ? null : self::of($project)->where('code', $code)->first();

        return $own === null ? $project->tolerance() : $project->tolerance()->but($own->plan_tolerance, $own->height_tolerance, $own->above_tolerance);
    }

    /** What counts of marks of a code; empty where the code says nothing. */
    public static function judgedOf(Project $project, string $code): string
    {
        return $code === '' ? '' : (string) self::of($project)->where('code', $code)->value('judged');
    }

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
        if ($typed->aboveTolerance !== null && $typed->aboveTolerance < 0.0) {
            throw new \DomainException('What may stand above the design is 0 or more. Leave it empty where as much is allowed as below.');
        }
    }
}
