<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Buildings\ElementPart;
use App\Civil\CivilAims;
use App\Civil\CivilLay;
use App\Cogo\GivenPlace;
use App\Cogo\GivenPolyline;
use App\Projects\Models\Project;
use App\Seen;
use App\Stakeout\AimChange;
use App\Stakeout\AimGivens;
use App\Stakeout\AimKind;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\StakedLine;
use App\Typed\Values;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\PackedPolyline;

/** Changes how something is staked; marks that were made keep what they were made to. */
final class ChangeAim
{
    public function __invoke(Project $project, int $id, AimChange $change): KeptAim
    {
        return DB::transaction(static function () use ($project, $id, $change): KeptAim {
            $aim = KeptAim::query()->where('project_id', $project->id)->findOrFail($id);
            Seen::requireVersion($aim, $change->version, $aim->name);
            $change->renew && self::renew($project, $aim);
            if ($change->lay !== null) {
                self::requireLine($aim);
                $aim->keepLine(StakedLine::laid($aim->touchedLine(), $change->lay), false);
                $aim->lay = StakedLine::row($change->lay);
            }
            if ($change->civil !== null) {
                self::layCivil($project, $aim, $change->civil);
            }
            if ($change->renew || $aim->isDirty()) {
                $aim->version++;
            }
            $aim->fill(array_filter([
                'series' => self::short($change->series, 'What marks are named by'), 'code' => self::short($change->code, 'A code'),
            ], static fn (?string $text) => $text !== null));
            $aim->judged = $change->judged === null ? '' : $change->judged->value;
            $aim->put_away = $change->putAway;
            $aim->save();
            $project->measured();

            return $aim;
        });
    }

    private static function layCivil(Project $project, KeptAim $aim, CivilLay $lay): void
    {
        $was = $aim->civilLay();
        if (! $aim->kind->isCivil() || $was->alignmentId !== $lay->alignmentId || ($was->alignmentId === null && $was->surfaceId !== $lay->surfaceId)) {
            throw new \DomainException('That is another alignment or surface. Choose it by itself.');
        }
        CivilAims::check($project, $lay);
        $aim->fill([
            'lay' => StakedLine::row($lay), 'name' => CivilAims::name($project, $lay), 'source' => CivilAims::source($project, $lay),
        ]);
    }

    /** Taken again as the newest revision of its drawing has it. */
    private static function renew(Project $project, KeptAim $aim): void
    {
        $givens = new AimGivens($project, newest: true);
        if ($aim->kind === AimKind::Line) {
            $touched = PackedPolyline::of($givens->line(Values::of($aim->given['line'], GivenPolyline::class)));
            $aim->keepLine($touched, true);
            $aim->keepLine(StakedLine::laid($touched, $aim->lay()), false);
            $aim->source = $givens->lineSource(Values::of($aim->given['line'], GivenPolyline::class));
        } elseif ($aim->kind->isOfModel()) {
            $found = $givens->part(Values::of($aim->given['part'], ElementPart::class));
            $aim->fill([
                'source' => $found->source, 'northing' => $found->place->northing, 'easting' => $found->place->easting, 'elevation' => $found->place->elevation,
                'lay' => StakedLine::row($found->lay),
            ]);
        } elseif ($aim->kind === AimKind::Spot) {
            $given = Values::of($aim->given['place'], GivenPlace::class);
            $place = $givens->place($given);
            $aim->fill([
                'northing' => $place->northing, 'easting' => $place->easting, 'elevation' => $place->elevation,
                'source' => $givens->placeSource($given),
            ]);
        }
        $aim->prepared = $project->prepared_revision;
    }

    public static function requireLine(KeptAim $aim): void
    {
        if ($aim->kind !== AimKind::Line) {
            throw new \DomainException('Touch a line first.');
        }
    }

    private static function short(?string $text, string $what): ?string
    {
        if ($text !== null && (mb_strlen($text) > 60 || preg_match('~[\x00-\x1F\x7F]~', $text) === 1)) {
            throw new \DomainException("$what has at most 60 characters, on one line.");
        }

        return $text === null ? null : trim($text);
    }
}
