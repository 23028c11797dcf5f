<?php

declare(strict_types=1);

namespace App\Points;

use App\Points\Models\StakeoutPoint;

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

    /** The prefix with the number after the highest in use; numbers keep the width of the widest. */
    public static function next(int $projectId, string $prefix): string
    {
        $highest = 0;
        $width = 1;
        $names = StakeoutPoint::query()->where('project_id', $projectId)
            ->where('name', 'like', addcslashes($prefix, '%_\\').'%')
            ->pluck('name');
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
