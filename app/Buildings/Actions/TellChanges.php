<?php

declare(strict_types=1);

namespace App\Buildings\Actions;

use App\Buildings\ChangedThing;
use App\Buildings\ModelChanges;
use App\Buildings\ThingsChanged;
use App\Designs\Models\Design;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;

/** Tells what a revision of a model changed, and which points hang on what changed. */
final class TellChanges
{
    private const TOLD = 500;

    public function __invoke(Project $project, int $designId): ThingsChanged
    {
        $after = Design::of($project)->findOrFail($designId, Design::LISTED);
        $before = Design::of($project)->find($after->revises_id, Design::LISTED)
            ?? throw new \DomainException('This is the first revision: there is none before that it could be compared with.');
        $found = ModelChanges::of($before, $after);
        [$points, $staked] = self::hanging($project);
        $counts = array_fill_keys(['added', 'gone', 'moved', 'turned', 'resized', 'reshaped'], 0);
        $things = [];
        $farthest = 0.0;
        foreach ($found->changes as [$from, $to, $moved, $turned, $resized, $reshaped, $sizeBefore, $sizeAfter, $ids, $name, $class, $type]) {
            $what = match (true) {
                $from === null => 'added', $to === null => 'gone', $resized => 'resized', $reshaped => 'reshaped', $turned > 0.0 => 'turned', default => 'moved',
            };
            $counts[$what]++;
            $farthest = max($farthest, $moved);
            $of = static fn (array $by): int => array_sum(array_map(static fn (string $id): int => $by["g$id"] ?? 0, $ids));
            $things[] = new ChangedThing(
                before: $from, after: $to, name: $name !== '' ? $name : ($type !== '' ? $type : $class), class: $class, type: $type, moved: $moved, turned: $turned,
                resized: $resized, reshaped: $reshaped, sizeBefore: $sizeBefore, sizeAfter: $sizeAfter, points: $of($points), staked: $of($staked),
            );
        }
        usort($things, static fn (ChangedThing $p, ChangedThing $q): int => [$q->staked, $q->points] <=> [$p->staked, $p->points]);

        return new ThingsChanged(...[
            'unchanged' => $found->unchanged, ...$counts, 'farthest' => $farthest, 'newIds' => count($found->renamed), 'things' => array_slice($things, 0, self::TOLD),
        ]);
    }

    /** @return array{array<string, int>, array<string, int>} by the id of the thing, behind a letter so that it stays text: points made from it, and those that are staked */
    private static function hanging(Project $project): array
    {
        $stakes = StakeoutPoint::stakes($project);
        $points = $staked = [];
        foreach (StakeoutPoint::of($project)->where('recipe', 'like', '%"guid":%')->toBase()->pluck('recipe', 'id') as $id => $recipe) {
            preg_match_all('~"guid":"((?:[^"\\\\]|\\\\.)*)"~', (string) $recipe, $found);
            foreach (array_unique($found[1]) as $written) {
                $guid = (string) json_decode("\"$written\"");
                $points["g$guid"] = ($points["g$guid"] ?? 0) + 1;
                $staked["g$guid"] = ($staked["g$guid"] ?? 0) + (isset($stakes[$id]) ? 1 : 0);
            }
        }

        return [$points, $staked];
    }
}
