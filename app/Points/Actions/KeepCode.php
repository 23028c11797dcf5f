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
        Code::check($typed);
        $values = self::columns($typed);
        $seen = $typed->seen === null ? null : self::columns($typed->seen);

        return Preparation::step($project, "Code {$values['code']}", static function (
            Preparation $step,
        ) use ($project, $values, $seen): Code {
            $code = Code::of($project)->where('code', $values['code'])->first();
            if ($code === null) {
                return $step->create(new Code(['project_id' => $project->id] + $values));
            }
            Seen::refuseOther($code, $seen, $code->code);
            $step->update($code, $values);

            return $code;
        });
    }

    /**
     * All of a list in one step: those that are known are changed, others stay as they are.
     *
     * @param  list<TypedCode>  $list  checked
     * @param  list<string>  $said  columns that the list has; the others of a code that is known stay as they are
     */
    public function keepAll(Project $project, array $list, array $said): int
    {
        return Preparation::step($project, 'Codes from a file', static function (Preparation $step) use ($project, $list, $said): int {
            $known = Code::of($project)->get()->keyBy('code');
            foreach ($list as $typed) {
                $values = self::columns($typed);
                $code = $known->get($values['code']);
                $code === null
                    ? $step->create(new Code(['project_id' => $project->id] + $values))
                    : $step->update($code, array_intersect_key($values, array_flip($said)));
            }

            return count($list);
        });
    }

    public function forget(Project $project, int $code): void
    {
        $row = Code::of($project)->findOrFail($code);
        Preparation::step($project, "Forgot code {$row->code}", static fn (Preparation $step) => $step->delete($row));
    }

    /** @return array<string, mixed> */
    private static function columns(TypedCode $typed): array
    {
        return [
            'code' => trim($typed->code), 'description' => $typed->description,
            'colour' => $typed->colour, 'mark' => mb_substr($typed->mark, 0, 3), 'trade' => $typed->trade,
            'plan_tolerance' => $typed->planTolerance, 'height_tolerance' => $typed->heightTolerance, 'above_tolerance' => $typed->aboveTolerance,
            'judged' => $typed->judged === null ? '' : $typed->judged->value,
        ];
    }
}
