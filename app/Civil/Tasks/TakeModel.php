<?php

declare(strict_types=1);

namespace App\Civil\Tasks;

use App\Civil\Actions\KeepAlignment;
use App\Civil\CivilChoices;
use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Civil\ModelTaken;
use App\Civil\ModelToTake;
use App\Civil\SurfaceKind;
use App\Civil\SurfaceRemarks;
use App\Clock;
use App\Cogo\Actions\KeepLines;
use App\Designs\Models\Design;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Projects\Uploads;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Typed\Values;
use Parlay\Core\Civil\Models\FeatureRead;
use Parlay\Core\Civil\Models\SurfaceRead;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Formats\LandXml\ModelOptions;
use Parlay\Core\Formats\LandXml\ModelReader;
use Parlay\Core\Geometry\Leg;

/** Takes what was chosen of a LandXML into the project; all of it or nothing. */
final class TakeModel implements Work
{
    private const COLOUR = 0x5B6B3A;

    public function __invoke(Task $task, Progress $progress): array
    {
        $body = Values::of($task->input, ModelToTake::class);
        $project = Project::query()->findOrFail($task->project_id);
        $file = Uploads::nameOf($body->upload);

        return (array) Preparation::step($project, "Model $file", function (Preparation $step) use ($project, $body, $file, $progress): ModelTaken {
            $size = max(1, (int) filesize(Uploads::path($body->upload)));
            $layers = $surfaces = [];
            $number = 0;
            $model = ModelReader::read(
                Uploads::open($body->upload),
                new ModelOptions($body->unit, $body->exchanged, static fn (int $bytes) => $progress->tell(0.95 * $bytes / $size, 'taking the model'), style: $project->length_style),
                static function (SurfaceRead $s) use ($project, $body, $file, &$layers, &$surfaces, &$number): void {
                    if (in_array($number++, $body->surfaces, true)) {
                        $surfaces[] = self::keep($project, $s, $file);
                        $layers = [...$layers, ...self::linesOf($s)];
                    }
                },
            );
            $alignments = [];
            foreach ($body->alignments as $i) {
                $read = $model->alignments[$i] ?? throw new \DomainException('The file does not hold what was chosen. Choose it again.');
                $alignments[] = KeepAlignment::read($project, $read, $file);
            }
            $lines = $body->lines ? [...self::features($model->features), ...$layers] : [];
            if ($alignments === [] && $surfaces === [] && $lines === []) {
                throw new \DomainException('Nothing of this file was chosen.');
            }
            $design = $lines === [] ? null : KeepLines::drawing($project, $step, self::name($body, $file), $file, 'line', $lines);
            self::keepRemarks($model->remarks, $design ?? $alignments[0] ?? $surfaces[0]);
            // The last moment: what is committed stays.
            $progress->stopIfCancelled();
            foreach ([...$alignments, ...$surfaces] as $row) {
                $step->update($row, ['removed_at' => null, 'design_id' => $design?->id]);
            }
            self::work($project, $step, $surfaces);

            return new ModelTaken(count($alignments), count($surfaces), count($lines), $design?->id);
        });
    }

    /**
     * What is said of the file as a whole stays with the first thing that was taken from it.
     *
     * @param  list<string>  $remarks
     */
    private static function keepRemarks(array $remarks, Design|CivilAlignment|CivilSurface $with): void
    {
        if ($remarks !== []) {
            $with->update(['remarks' => [...$with->remarks, ...$remarks]]);
        }
    }

    private static function name(ModelToTake $body, string $file): string
    {
        return trim($body->name) === '' ? $file : mb_substr(trim($body->name), 0, 200);
    }

    private static function keep(Project $project, SurfaceRead $s, string $file): CivilSurface
    {
        return CivilSurface::keep($project, $s->surface, [
            'name' => KeepAlignment::freeName($project, 'surfaces', $s->name === '' ? 'Surface' : $s->name), 'description' => $s->description,
            'source' => $file, 'kind' => self::kindOf($s->name)->value, 'taken_at' => Clock::stamp(), 'removed_at' => Clock::stamp(),
            'remarks' => SurfaceRemarks::of($s),
        ]);
    }

    /** The ground as it was before, by what designers call it; it can be said otherwise. */
    private static function kindOf(string $name): SurfaceKind
    {
        return preg_match('~\b(existing|ground|terrain|topo|eg|ngl|dtm|survey)\b~i', $name) === 1 ? SurfaceKind::Ground : SurfaceKind::Design;
    }

    /**
     * Where none is worked with yet, the first design of these is.
     *
     * @param  list<CivilSurface>  $surfaces
     */
    private static function work(Project $project, Preparation $step, array $surfaces): void
    {
        $choices = CivilChoices::of($project);
        foreach ($surfaces as $surface) {
            if ($choices->surfaceId === null && $surface->kind === SurfaceKind::Design) {
                $step->update($project, ['civil' => json_encode(['surfaceId' => $surface->id] + (array) $choices, JSON_THROW_ON_ERROR)]);

                return;
            }
        }
    }

    /** @return list<DrawingLayer> */
    private static function linesOf(SurfaceRead $s): array
    {
        $layers = [];
        foreach ($s->lines as $line) {
            $layer = $layers[$line->name] ??= new DrawingLayer(trim("{$s->name}, {$line->name}"), self::COLOUR);
            for ($i = 1; $i < count($line->places); $i++) {
                self::add($layer, new Leg($line->places[$i - 1], $line->places[$i]), $i);
            }
        }

        return array_values(array_filter($layers, static fn (DrawingLayer $l) => $l->count > 0));
    }

    /**
     * @param  list<FeatureRead>  $features
     * @return list<DrawingLayer> one for each code, or name
     */
    private static function features(array $features): array
    {
        $layers = [];
        foreach ($features as $feature) {
            $name = $feature->code !== '' ? $feature->code : $feature->name;
            $layer = $layers[$name] ??= new DrawingLayer($name, self::COLOUR);
            foreach ($feature->legs as $leg) {
                self::add($layer, $leg, $feature->line);
            }
        }

        return array_values(array_filter($layers, static fn (DrawingLayer $l) => $l->count > 0));
    }

    private static function add(DrawingLayer $layer, Leg $leg, int $place): void
    {
        KeepLines::add($layer, $leg, $place, self::COLOUR);
    }
}
