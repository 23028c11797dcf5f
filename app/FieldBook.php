<?php

declare(strict_types=1);

namespace App;

use App\Http\Resources\BookEntry;
use App\Http\Resources\MarkResource;
use App\Http\Resources\ObservationResource;
use App\Http\Resources\SetupEntry;
use App\Models\Mark;
use App\Models\Observation;
use App\Models\Project;
use App\Models\Setup;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** The field book in order: one look into the book, one for each kind of line. */
final class FieldBook
{
    private const PAGE = 200;

    /**
     * @param  string|null  $before time stamp; older lines only
     *  @return list<BookEntry> newest first
     */
    public static function page(Project $project, ?string $before): array
    {
        $lines = DB::table('field_book')->where('project_id', $project->id)
            ->when($before !== null, static fn ($q) => $q->where('at', '<', $before))
            ->orderByDesc('at')->limit(self::PAGE)->get();
        $ids = static fn (array $kinds): array => $lines->whereIn('kind', $kinds)->pluck('id')->all();
        $marks = Mark::query()->findMany($ids(['stake', 'as_built', 'check']))->keyBy('id');
        $readings = Observation::query()->findMany([...$ids(['reading']), ...$marks->pluck('observation_id')])->keyBy('id');
        $setups = Setup::query()->findMany($ids(['setup']))->keyBy('id');

        return $lines->map(static fn (\stdClass $l) => self::entry($l, $readings, $setups, $marks))->values()->all();
    }

    /**
     * A mark opens to the reading it came from.
     *
     * @param  Collection<int, Observation>  $readings
     *  @param  Collection<int, Setup>  $setups
     *  @param  Collection<int, Mark>  $marks
     */
    private static function entry(\stdClass $l, Collection $readings, Collection $setups, Collection $marks): BookEntry
    {
        $id = (int) $l->id;
        $mark = in_array($l->kind, ['reading', 'setup'], true) ? null : $marks->get($id);
        $setup = $l->kind === 'setup' ? $setups->get($id) : null;
        $reading = $l->kind === 'reading' ? $readings->get($id) : ($mark === null ? null : $readings->get($mark->observation_id));

        return new BookEntry(
            $l->kind, $id, $l->at,
            $reading === null ? null : ObservationResource::of($reading),
            $setup === null ? null : SetupEntry::of($setup),
            $mark === null ? null : MarkResource::of($mark),
        );
    }
}
