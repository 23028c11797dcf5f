<?php

declare(strict_types=1);

namespace App\Points\Actions;

use App\Points\Models\Code;
use App\Points\TypedCode;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Seen;

/** Keeps what a code means, and forgets it. */
final class KeepCode
{
    public function keep(Project $project, TypedCode $typed): Code
    {
        if (trim($typed->code) === '' || mb_strlen($typed->code) > 60) {
            throw new \DomainException('A code needs a text of at most 60 characters.');
        }
        if ($typed->colour !== null && preg_match('~^#[0-9a-fA-F]{6}$~', $typed->colour) !== 1) {
            throw new \DomainException('A colour is # and six digits of 0 to 9 and a to f, such as #a04020.');
        }
        foreach ([$typed->planTolerance, $typed->heightTolerance] as $tolerance) {
            if ($tolerance !== null && $tolerance <= 0.0) {
                throw new \DomainException('A tolerance must be more than 0. Leave it empty for the project’s.');
            }
        }
        $values = self::columns($typed);
        $seen = $typed->seen === null ? null : self::columns($typed->seen);

        return Preparation::step($project, "Code {$values['code']}", static function (
            Preparation $step,
        ) use ($project, $values, $seen): Code {
            $code = $project->codes()->where('code', $values['code'])->first();
            if ($code === null) {
                return $step->create(new Code(['project_id' => $project->id] + $values));
            }
            Seen::refuseOther($code, $seen, $code->code);
            $step->update($code, $values);

            return $code;
        });
    }

    public function forget(Project $project, int $code): void
    {
        $row = $project->codes()->findOrFail($code);
        Preparation::step($project, "Forgot code {$row->code}", static fn (Preparation $step) => $step->delete($row));
    }

    /** @return array<string, mixed> */
    private static function columns(TypedCode $typed): array
    {
        return [
            'code' => trim($typed->code), 'description' => $typed->description,
            'colour' => $typed->colour, 'mark' => mb_substr($typed->mark, 0, 3), 'trade' => $typed->trade,
            'plan_tolerance' => $typed->planTolerance, 'height_tolerance' => $typed->heightTolerance,
        ];
    }
}
