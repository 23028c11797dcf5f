<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\AlignmentGiven;
use App\Civil\AlignmentHeights;
use App\Civil\AlignmentToMake;
use App\Civil\Models\CivilAlignment;
use App\Civil\RoadShapes;
use App\Civil\TypedElement;
use App\Civil\TypedVertex;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use App\Seen;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\CornersRounded;
use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Civil\Alignments\ElementKind;
use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Alignments\Stationing;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\ProfileRecord;
use Parlay\Core\Civil\Roads\Strip;
use Parlay\Core\Civil\Roads\Superelevation;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Position;

/** Makes an alignment of what was touched or typed, and gives it heights and what lies across it. */
final class MakeAlignment
{
    private const MOST = 2000;

    public static function geometry(Project $project, AlignmentGiven $given): Alignment
    {
        $elements = match (true) {
            $given->corners !== [] => CornersRounded::elements($given->corners),
            $given->line !== null => self::touched($project, $given),
            default => self::typed($given),
        };
        if (count($elements) > self::MOST) {
            throw new \DomainException('An alignment has at most '.self::MOST.' elements.');
        }

        return new Alignment($elements, new Stationing($given->start));
    }

    public function make(Project $project, AlignmentToMake $body): CivilAlignment
    {
        $name = PointName::checked($body->name);
        $alignment = self::geometry($project, $body->given);

        return Preparation::step($project, "Alignment $name", static function (Preparation $step) use ($project, $body, $name, $alignment): CivilAlignment {
            $row = KeepAlignment::row($project, $alignment, [
                'name' => KeepAlignment::freeName($project, 'alignments', $name), 'source' => 'made here', 'profiles' => [], 'shapes' => [],
                'remarks' => [], 'given' => json_decode((string) json_encode($body->given), true),
            ]);
            $step->update($row, ['removed_at' => null]);

            return $row;
        });
    }

    public function change(Project $project, int $id, AlignmentToMake $body): CivilAlignment
    {
        $row = CivilAlignment::inProject($project, $id);
        if ($row->given === null) {
            throw new \DomainException('This alignment came in a file: it is what its designer made. Make one of your own beside it.');
        }
        $name = PointName::checked($body->name);
        $alignment = self::geometry($project, $body->given);

        return self::changed($project, $row, (int) $body->seen, "Alignment $name", ['name' => $name, 'given' => json_decode((string) json_encode($body->given), true)] + KeepAlignment::geometry($alignment));
    }

    public function heights(Project $project, int $id, AlignmentHeights $body): CivilAlignment
    {
        $row = CivilAlignment::inProject($project, $id);
        Seen::requireVersion($row, $body->seen, $row->name);
        $name = PointName::checked($body->name);
        if ($body->template !== null) {
            self::checkTemplate($body->template->left, $body->template->right, $body->template->turned);
            $kept = ['name' => $name] + RoadShapes::kept($body->template);

            return self::changed($project, $row, $body->seen, "Template of {$row->name}", ['shapes' => self::with($row->shapes, $body->number, $kept)]);
        }
        $profile = new Profile(array_map(static fn (TypedVertex $v) => $v->vertex(), $body->vertices), $name);

        return self::changed($project, $row, $body->seen, "Profile of {$row->name}", ['profiles' => self::with($row->profiles, $body->number, ProfileRecord::of($profile, false))]);
    }

    /**
     * @param  list<Strip>  $left
     * @param  list<Strip>  $right
     * @param  list<Superelevation>  $turned
     */
    private static function checkTemplate(array $left, array $right, array $turned): void
    {
        foreach ([...$left, ...$right] as $strip) {
            if (! ($strip->width > 0.0 && $strip->width < 1000.0 && abs($strip->crossfall) < 5.0)) {
                throw new \DomainException("“{$strip->name}” needs a width above 0 and a cross-fall that a road can have.");
            }
        }
        for ($i = 1; $i < count($turned); $i++) {
            if ($turned[$i]->along <= $turned[$i - 1]->along) {
                throw NoAlignment::stationsBackwards($i + 1);
            }
        }
    }

    /**
     * @param  list<array<string, mixed>>  $all
     * @param  array<string, mixed>  $one
     * @return list<array<string, mixed>>
     */
    private static function with(array $all, ?int $number, array $one): array
    {
        if ($number !== null && ! isset($all[$number])) {
            throw new \DomainException('That profile or section is not there any more. Choose again.');
        }
        if ($number !== null) {
            $all[$number] = $one;

            return array_values($all);
        }

        return [...$all, $one];
    }

    /** @param  array<string, mixed>  $values */
    private static function changed(Project $project, CivilAlignment $row, int $seen, string $label, array $values): CivilAlignment
    {
        return Preparation::step($project, $label, static function (Preparation $step) use ($row, $seen, $values): CivilAlignment {
            Seen::requireVersion($row->refresh(), $seen, $row->name);
            $step->update($row, $values + ['version' => $row->version + 1]);
            // What is staked of it is another thing now.
            DB::table('aims')->where('lay->alignmentId', $row->id)->increment('version');

            return $row;
        });
    }

    /** @return list<Element> */
    private static function touched(Project $project, AlignmentGiven $given): array
    {
        $line = $given->line ?? throw NoAlignment::noElements();
        $chain = (new Givens($project, new DrawnShapes($project)))->chain($line);

        return array_map(static fn (Leg $leg): Element => $leg->isStraight()
            ? Element::between($leg->from, $leg->to)
            : Element::arc($leg->from, $leg->azimuthAt(0.0), $leg->length(), $leg->side() / $leg->radius()), $chain->legs);
    }

    /** @return list<Element> */
    private static function typed(AlignmentGiven $given): array
    {
        if ($given->northing === null || $given->easting === null) {
            throw new \DomainException('Say where the alignment begins.');
        }
        [$at, $azimuth] = [new Position($given->northing, $given->easting), $given->azimuth ?? 0.0];
        $elements = [];
        foreach ($given->elements as $typed) {
            $elements[] = $element = self::element($typed, $at, $azimuth);
            [$at, $azimuth] = [$element->end(), $element->endAzimuth()];
        }

        return $elements === [] ? throw NoAlignment::noElements() : $elements;
    }

    private static function element(TypedElement $typed, Position $at, float $azimuth): Element
    {
        $bend = static fn (?float $radius): float => $radius === null || $radius === 0.0 ? 0.0 : 1 / $radius;

        return match ($typed->kind) {
            ElementKind::Line => Element::line($at, $azimuth, $typed->length),
            ElementKind::Arc => Element::arc($at, $azimuth, $typed->length, $bend($typed->radiusFrom)),
            ElementKind::Spiral => Element::spiral($at, $azimuth, $typed->length, $bend($typed->radiusFrom), $bend($typed->radiusTo)),
        };
    }
}
