<?php

declare(strict_types=1);

namespace App\Projects;

use Illuminate\Support\Facades\DB;

/** Names are kept exactly as given, but for blanks around them. */
final class PointName
{
    public static function checked(string $name): string
    {
        $name = trim($name);
        if ($name === '' || mb_strlen($name) > 200) {
            throw new \DomainException('A point needs a name of at most 200 characters.');
        }
        if (preg_match('~[\x00-\x1F\x7F]~', $name) === 1) {
            throw new \DomainException('A name can’t hold line breaks or control characters.');
        }

        return $name;
    }

    /** The prefix with the number after the highest in use among points; numbers keep the width of the widest. */
    public static function next(int $projectId, string $prefix): string
    {
        return self::after($prefix, self::beginning('stakeout_points', $projectId, $prefix));
    }

    /** The same among all that was staked and is to be staked: no mark is called as a point is. */
    public static function nextMark(int $projectId, string $prefix): string
    {
        return self::after($prefix, [
            ...self::beginning('stakeout_points', $projectId, $prefix), ...self::beginning('marks', $projectId, $prefix),
        ]);
    }

    /** @return list<string> */
    private static function beginning(string $table, int $projectId, string $prefix): array
    {
        return array_values(DB::table($table)->where('project_id', $projectId)
            ->where('name', 'like', addcslashes($prefix, '%_\\').'%')->distinct()->pluck('name')->map(strval(...))->all());
    }

    /** @param  list<string>  $names */
    private static function after(string $prefix, array $names): string
    {
        $highest = 0;
        $width = 1;
        foreach ($names as $name) {
            $rest = substr($name, strlen($prefix));
            if (str_starts_with($name, $prefix) && ctype_digit($rest) && strlen($rest) < 16) {
                $highest = max($highest, (int) $rest);
                $width = max($width, strlen($rest));
            }
        }

        return $prefix.str_pad((string) ($highest + 1), $width, '0', STR_PAD_LEFT);
    }
}
