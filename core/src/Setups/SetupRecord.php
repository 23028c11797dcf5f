<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Reliability;
use Parlay\Core\Instrument\Station;

/**
 * What a setup was accepted on, as it is kept: a form of its own, with a version, that no change of the interface touches.
 *
 * A setup that is in the field book is never written anew, so every version that was ever kept is read for good. Form 1 is what the
 * interface once showed, and the earliest of it had deviations without their covariance. Form 2 kept cautions as sentences, and said
 * plan for horizontal.
 */
final class SetupRecord
{
    public const VERSION = 3;

    /** @return array<string, mixed> for JSON; metres, radians, and their squares */
    public static function write(SetupSolution $s): array
    {
        return [
            'version' => self::VERSION,
            'oriented' => $s->precision->oriented,
            'placeFound' => $s->placeFound,
            'planCovariance' => array_merge(...$s->precision->plan),
            'heightVariance' => $s->precision->height,
            'redundancy' => $s->redundancy,
            'fit' => $s->unitWeightDeviation,
            'passes' => $s->passes,
            'scale' => $s->scale === null ? null : ['ppm' => $s->scale->ppm, 'deviation' => $s->scale->deviation],
            'cautions' => array_map(static fn (Caution $c): array => [
                'kind' => $c->kind->value, 'names' => $c->names, 'value' => $c->value, 'deviation' => $c->deviation,
            ], $s->cautions),
            'sights' => array_map(self::sight(...), $s->residuals),
            'shots' => array_map(self::shot(...), $s->shots),
        ];
    }

    /**
     * @param  array<mixed>  $kept  of any version
     * @param  Station  $station  which is kept beside it
     *
     * @throws UnreadableRecord
     */
    public static function read(array $kept, Station $station): SetupSolution
    {
        $fields = new RecordFields($kept);
        $version = $fields->has('version') ? $fields->whole('version') : 1;

        return match ($version) {
            1 => self::first($fields, $station),
            2 => self::now($fields, $station, self::sentences($fields)),
            3 => self::now($fields, $station, array_map(self::readCaution(...), $fields->records('cautions'))),
            default => throw UnreadableRecord::version($version),
        };
    }

    /** @param  list<Caution>  $cautions */
    private static function now(RecordFields $f, Station $station, array $cautions): SetupSolution
    {
        $scale = $f->record('scale');

        return new SetupSolution(
            station: $station,
            precision: new Precision(self::square($f->numbers('planCovariance')), $f->number('heightVariance'), $f->flag('oriented')),
            residuals: array_map(
                static fn (RecordFields $r) => self::readSight($r, $r->flag('plan'), $r->flag('height')), $f->records('sights'),
            ),
            redundancy: $f->whole('redundancy'),
            unitWeightDeviation: $f->number('fit'),
            cautions: $cautions,
            passes: $f->flagOrNull('passes'),
            placeFound: $f->flag('placeFound'),
            scale: $scale === null ? null : new FreeScale($scale->figure('ppm'), $scale->figure('deviation')),
            shots: array_map(self::readShot(...), $f->records('shots')),
        );
    }

    /** As the interface once showed a solution; what it did not show yet is missing. */
    private static function first(RecordFields $f, Station $station): SetupSolution
    {
        $deviation = static fn (string $key): float => $f->number($key) ?? 0.0;
        $plan = $f->has('covariance') ? self::square($f->numbers('covariance'))
            : [
                [$deviation('northingDeviation') ** 2, 0.0, 0.0], [0.0, $deviation('eastingDeviation') ** 2, 0.0],
                [0.0, 0.0, $deviation('orientationDeviation') ** 2],
            ];
        $height = $f->number('heightDeviation');
        $ppm = $f->number('scalePpm');

        return new SetupSolution(
            station: $station,
            precision: new Precision($plan, $height === null ? null : $height ** 2, $f->has('oriented') ? $f->flag('oriented') : true),
            residuals: array_map(
                static fn (RecordFields $r) => self::readSight($r, $r->flag('used'), $r->flag('used'), 'height'),
                $f->records('residuals'),
            ),
            redundancy: $f->has('redundancy') ? $f->whole('redundancy') : 0,
            unitWeightDeviation: $f->number('fit'),
            cautions: self::sentences($f),
            passes: $f->flagOrNull('passes'),
            placeFound: $f->has('placeFound') ? $f->flag('placeFound') : true,
            scale: $ppm === null ? null : new FreeScale($ppm, $f->number('scaleDeviation') ?? 0.0),
            shots: array_map(self::readShot(...), $f->records('shots')),
        );
    }

    /** @return array<string, mixed> */
    private static function sight(SightResidual $r): array
    {
        return [
            'name' => $r->name, 'plan' => $r->usedForPlan, 'height' => $r->usedForHeight,
            'direction' => $r->direction, 'across' => $r->across, 'distance' => $r->distance, 'rise' => $r->height,
            'checked' => $r->checked, 'detectable' => $r->detectable,
            'normalised' => $r->normalised, 'moves' => $r->moves, 'found' => $r->found,
            'observed' => array_map(static fn (ObservedResidual $o): array => [
                'kind' => $o->kind->value, 'residual' => $o->residual, 'deviation' => $o->deviation, 'redundancy' => $o->redundancy,
                'normalised' => $o->normalised, 'detectable' => $o->detectable,
            ], $r->observed),
        ];
    }

    /** @param  string  $rise  what the residual of the height is called */
    private static function readSight(RecordFields $r, bool $plan, bool $height, string $rise = 'rise'): SightResidual
    {
        return new SightResidual(
            name: $r->text('name'),
            usedForPlan: $plan,
            usedForHeight: $height,
            direction: $r->number('direction'),
            across: $r->number('across'),
            distance: $r->number('distance'),
            height: $r->number($rise),
            checked: $r->number('checked'),
            detectable: $r->number('detectable'),
            normalised: $r->number('normalised'),
            moves: $r->number('moves'),
            observed: array_map(self::readObserved(...), $r->records('observed')),
            found: match (count($found = $r->numbers('found'))) {
                0 => null,
                2 => $found,
                default => throw UnreadableRecord::at('found'),
            },
        );
    }

    private static function readObserved(RecordFields $o): ObservedResidual
    {
        return new ObservedResidual(
            self::kind($o->text('kind')), $o->figure('residual'), $o->figure('deviation'),
            $o->figure('redundancy'), $o->number('normalised'), $o->number('detectable'),
        );
    }

    /** Forms 1 and 2 said plan for horizontal. */
    private static function kind(string $kept): ObservedKind
    {
        return ObservedKind::tryFrom($kept === 'planDistance' ? 'horizontalDistance' : $kept) ?? throw UnreadableRecord::at('kind');
    }

    /** @return list<Caution> of forms 1 and 2 */
    private static function sentences(RecordFields $f): array
    {
        return array_map(Caution::asKept(...), $f->texts('cautions'));
    }

    private static function readCaution(RecordFields $c): Caution
    {
        $kind = CautionKind::tryFrom($c->text('kind')) ?? throw UnreadableRecord::at('cautions');

        return Caution::kept($kind, $c->texts('names'), $c->number('value'), $c->number('deviation'));
    }

    /** @return array<string, mixed> */
    private static function shot(ShotResidual $r): array
    {
        return [
            'line' => $r->line, 'offset' => $r->offset, 'redundancy' => $r->reliability?->redundancy,
            'normalised' => $r->reliability?->normalised, 'detectable' => $r->reliability?->detectable, 'moves' => $r->moves,
        ];
    }

    private static function readShot(RecordFields $r): ShotResidual
    {
        $redundancy = $r->number('redundancy');

        return new ShotResidual(
            $r->text('line'), $r->figure('offset'),
            $redundancy === null ? null : Reliability::kept($redundancy, $r->number('normalised'), $r->number('detectable')),
            $r->number('moves'),
        );
    }

    /**
     * @param  list<float>  $nine
     * @return array{list<float>, list<float>, list<float>}
     */
    private static function square(array $nine): array
    {
        return count($nine) === 9
            ? [array_slice($nine, 0, 3), array_slice($nine, 3, 3), array_slice($nine, 6, 3)]
            : throw UnreadableRecord::at('planCovariance');
    }
}
