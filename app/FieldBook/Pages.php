<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\Instrument\Models\Observation;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Setups\SetupEntry;
use App\Stakeout\MarkEntry;
use App\Stakeout\MarkSpread;
use App\Stakeout\Models\Mark;
use App\Stakeout\Models\Strike;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Stakeout\DecisionRule;

/** The field book in order: one look into the book, one for each kind of line. */
final class Pages
{
    /** Lines that are shown at once. */
    public const USUAL = 200;

    /** Seconds by which two clocks may differ between two lines without one having been set. */
    private const CLOCK_RUNS_WITHIN = 2.0;

    /**
     * @param  BookQuery  $wanted  after: place in the book; earlier lines only
     * @return list<BookEntry> newest first
     */
    public static function lines(Project $project, BookQuery $wanted, int $limit): array
    {
        // One line more than is shown: the first of a page, too, is held against the one before it.
        $found = DB::table('field_book')->leftJoin('book_sequence', 'book_sequence.seq', '=', 'field_book.seq')
            ->where('project_id', $project->id)
            ->when($wanted->after !== null, static fn ($q) => $q->where('field_book.seq', '<', $wanted->after))
            ->when($wanted->show !== BookShown::All, static fn ($q) => self::only($q, $project, $wanted->show))
            ->when(trim($wanted->name) !== '', static fn ($q) => self::named($q, $project, trim($wanted->name)))
            ->orderByDesc('field_book.seq')->limit($limit + 1)->get(
                ['kind', 'id', 'field_book.at', 'field_book.seq', 'steady', 'boot'],
            );
        $lines = $found->slice(0, $limit);
        $ids = static fn (array $kinds): array => $lines->whereIn('kind', $kinds)->pluck('id')->all();
        $marks = Mark::query()->with(['setup:id,number', 'strike'])->findMany($ids(['stake', 'as_built', 'check']))->keyBy('id');
        MarkSpread::complete($marks);
        $rule = $project->decisionRule();
        $readings = Observation::query()->findMany([...$ids(['reading']), ...$marks->pluck('observation_id')])->keyBy('id');
        $setups = Setup::query()->findMany($ids(['setup']))->keyBy('id');

        return $lines->map(
            static fn (\stdClass $l, int $i) => self::entry($l, self::clockJump($found->get($i + 1), $l), $readings, $setups, $marks, $rule),
        )->values()->all();
    }

    private static function only(Builder $lines, Project $project, BookShown $show): void
    {
        $struck = array_keys(Strike::struckIn($project));
        match ($show) {
            BookShown::Out => self::ofMarks($lines)->whereIn('id', self::in('marks', $project)->where('verdict', 'out'))->whereNotIn('id', $struck),
            BookShown::Struck => self::ofMarks($lines)->whereIn('id', $struck),
            default => $lines->where('kind', $show->kind()),
        };
    }

    private static function ofMarks(Builder $lines): Builder
    {
        return $lines->whereNotIn('kind', ['reading', 'setup']);
    }

    private static function named(Builder $lines, Project $project, string $name): void
    {
        $sought = '%'.addcslashes($name, '%_\\').'%';
        $like = static fn (string $table, string $column): Builder => self::in($table, $project)->whereRaw("$column LIKE ? ESCAPE '\\'", [$sought]);
        $lines->where(static fn (Builder $q) => $q
            ->orWhere(static fn (Builder $q) => $q->where('kind', 'reading')->whereIn('id', $like('observations', 'sighted')))
            ->orWhere(static fn (Builder $q) => $q->where('kind', 'setup')->whereIn('id', $like('setups', 'station_name')))
            ->orWhere(static fn (Builder $q) => self::ofMarks($q)->whereIn('id', $like('marks', 'name'))));
    }

    /** Rows of a project, looked up once and not for each line. */
    private static function in(string $table, Project $project): Builder
    {
        return DB::table($table)->where('project_id', $project->id)->select('id');
    }

    /**
     * How far the clock on the wall was set between two lines, told by the steady one; across starts of the machine only what was set
     * back shows.
     *
     * @return float|null seconds, forward or back (negative); null where it simply ran
     */
    private static function clockJump(?\stdClass $before, \stdClass $line): ?float
    {
        if ($before === null) {
            return null;
        }
        $wall = (float) Carbon::parse($before->at)->diffInMicroseconds(Carbon::parse($line->at)) / 1e6;
        $steady = isset($before->steady, $line->steady) && $before->boot === $line->boot
            ? $line->steady - $before->steady
            : max(0.0, $wall);
        $jump = $wall - $steady;

        return abs($jump) > self::CLOCK_RUNS_WITHIN ? round($jump, 1) : null;
    }

    /**
     * A mark opens to the reading it came from.
     *
     * @param  Collection<int, Observation>  $readings
     *  @param  Collection<int, Setup>  $setups
     *  @param  Collection<int, Mark>  $marks
     */
    private static function entry(\stdClass $l, ?float $clockJump, Collection $readings, Collection $setups, Collection $marks, DecisionRule $rule): BookEntry
    {
        $id = (int) $l->id;
        $mark = in_array($l->kind, ['reading', 'setup'], true) ? null : $marks->get($id);
        $setup = $l->kind === 'setup' ? $setups->get($id) : null;
        $mark?->setRelation('observation', $readings->get($mark->observation_id));
        $reading = $l->kind === 'reading' ? $readings->get($id) : ($mark === null ? null : $readings->get($mark->observation_id));

        return new BookEntry(
            $l->kind, $id, $l->at, (int) $l->seq, $clockJump,
            $reading === null ? null : ObservationEntry::of($reading),
            $setup === null ? null : SetupEntry::of($setup),
            $mark === null ? null : MarkEntry::of($mark, $rule),
        );
    }
}
