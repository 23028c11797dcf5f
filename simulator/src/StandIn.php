<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Instruction;
use Parlay\Core\Instrument\InstructionKind;
use Parlay\Core\Instrument\Notch;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Refusal;
use Parlay\Core\Units\Angle;

/**
 * A total station made of arithmetic: turns, looks for the prism, measures and follows it in a World, in its own time.
 *
 * Time comes from outside (seconds), so that tests and the demo script need not wait.
 */
final class StandIn
{
    public const MODEL = 'Parlay stand-in';

    private const NEAREST = 0.8;

    private const FARTHEST = 1500.0;

    /** Radians a second. */
    private const TURNS = 1.6;

    private const MEASURES = 1.2;

    private const SEARCHES = 2.5;

    private const TRACKS_EVERY = 0.16;

    /** Seconds of one quick shot without a prism. */
    private const SHOOTS = 0.4;

    /** The prism is found within this of where the telescope points. */
    private const FIELD = 0.05;

    private const COMPENSATOR = 0.0012;

    public float $circle = 0.0;

    public float $zenith = M_PI_2;

    public bool $locked = false;

    public bool $tracking = false;

    /** How many times as fast the world walks and a job is done; readings while following come no more often than of a real one. */
    public float $haste = 1.0;

    /** What it was told to apply to the distances it shows; a hand may have set it too. */
    public float $ppm = 0.0;

    public float $prismConstant = 0.0;

    /** @var array<string, World> sites it has been taken from, each as it was left: every site has a stand-in of its own */
    public array $left = [];

    private ?Refusal $trouble = null;

    /** @var array{number: int, kind: InstructionKind, ends: float, circle: float, zenith: float, dot: bool}|null */
    private ?array $job = null;

    private float $nextTrack = 0.0;

    private float $now = 0.0;

    /** Each site has an instrument of its own. */
    public static function serial(int $site): string
    {
        return sprintf('SI-%04d', $site);
    }

    /** Takes up the instrument of another site, where it was left standing. */
    public function goTo(World $world): void
    {
        if ($this->world->site !== '' && $this->world->site !== $world->site) {
            $this->left[$this->world->site] = $this->world;
        }
        unset($this->left[$world->site]);
        $this->world = $world;
        $this->locked = false;
    }

    public function __construct(public World $world) {}

    /** What slanted heights of it are measured to. */
    public static function notch(): Notch
    {
        return new Notch(0.118, 0.024);
    }

    public static function accuracy(): Accuracy
    {
        return Accuracy::stated(2.0, 1.0, 1.5);
    }

    /** @return list<Message> what is said at once */
    public function instruct(int $number, Instruction $instruction, float $now): array
    {
        $kind = $instruction->kind;
        if ($kind === InstructionKind::Cancel) {
            return $this->cancel($number);
        }
        if ($kind === InstructionKind::Settings) {
            $this->ppm = (float) $instruction->values['ppm'];
            $this->prismConstant = (float) $instruction->values['prism_constant'];

            return [Message::done($number)];
        }
        $refusal = $this->unfit() ?? ($this->job !== null && $kind !== InstructionKind::Track ? Refusal::Busy : null);
        if ($refusal !== null) {
            return [Message::refused($number, $refusal)];
        }
        // Following is a way of being, not a job: it may be asked for while the instrument turns.
        if ($kind === InstructionKind::Track) {
            $this->tracking = (bool) $instruction->values['on'];
            $this->nextTrack = $now;

            return [Message::done($number)];
        }
        $this->job = $this->begin($number, $instruction, $now);

        return [];
    }

    /** @return list<Message> what happened up to now */
    public function tick(float $now): array
    {
        $this->world->advance(max(0.0, min($now - $this->now, 1.0)) * $this->haste);
        $this->now = $now;
        $messages = [];
        if ($this->job !== null && $now >= $this->job['ends']) {
            $messages[] = $this->finish();
        }
        // A dot is held still: nothing is followed until it is asked for.
        if ($this->job === null && ($this->tracking || $this->locked)) {
            $this->follow();
        }
        if ($this->tracking && $this->job === null && $now >= $this->nextTrack) {
            $this->nextTrack = max($this->nextTrack + self::TRACKS_EVERY / min(1.0, $this->haste), $now);
            if ($this->locked) {
                $messages[] = Message::tracked($this->read(2.0));
            }
        }

        return $messages;
    }

    public function status(): Message
    {
        return Message::status($this, $this->unfit() ?? $this->trouble, abs($this->world->tripod->tilt) <= self::COMPENSATOR);
    }

    /** The whole message about a reading at this instant, for scripts that need not wait. */
    public function readNow(): RawReading
    {
        return $this->read(1.0);
    }

    private function unfit(): ?Refusal
    {
        return match (true) {
            $this->world->battery <= 0.0 => Refusal::BatteryFlat,
            abs($this->world->tripod->tilt) > self::COMPENSATOR => Refusal::NotLevel,
            default => null,
        };
    }

    /** @return list<Message> */
    private function cancel(int $number): array
    {
        $messages = $this->job === null ? [] : [Message::refused($this->job['number'], Refusal::Cancelled)];
        $this->job = null;

        return [...$messages, Message::done($number)];
    }

    /** @return array{number: int, kind: InstructionKind, ends: float, circle: float, zenith: float, dot: bool} */
    private function begin(int $number, Instruction $instruction, float $now): array
    {
        $circle = $this->circle;
        $zenith = $this->zenith;
        $takes = $instruction->kind === InstructionKind::Search ? self::SEARCHES : self::MEASURES;
        if ($instruction->kind === InstructionKind::Turn) {
            $circle = Angle::wrap((float) $instruction->values['circle']);
            $zenith = (float) $instruction->values['zenith'];
            $takes = 0.2 + max(abs(Angle::signed($circle - $this->circle)), abs($zenith - $this->zenith)) / self::TURNS;
            $this->locked = false;
        }
        $dot = $instruction->kind === InstructionKind::Dot || ($instruction->values['dot'] ?? false) === true;
        if ($instruction->kind === InstructionKind::Dot) {
            $circle = Angle::wrap((float) $instruction->values['circle']);
            $zenith = (float) $instruction->values['zenith'];
            $takes = self::SHOOTS + max(abs(Angle::signed($circle - $this->circle)), abs($zenith - $this->zenith)) / self::TURNS;
            // It waits for a return as long as it was told to.
            $takes += $this->dotAt($circle, $zenith) === null ? max(0.0, (float) $instruction->values['wait']) : 0.0;
        }
        if ($dot) {
            $this->locked = $this->tracking = false;
        }

        return [
            'number' => $number, 'kind' => $instruction->kind, 'ends' => $now + $takes / $this->haste, 'circle' => $circle,
            'zenith' => $zenith, 'dot' => $dot,
        ];
    }

    private function finish(): Message
    {
        $job = $this->job ?? throw new \LogicException('Nothing was begun.');
        $this->job = null;
        $this->circle = $job['circle'];
        $this->zenith = $job['zenith'];
        $unfit = $this->unfit();
        if ($unfit !== null) {
            return Message::refused($job['number'], $unfit);
        }
        if ($job['dot']) {
            return $this->shoot($job['number']);
        }
        $found = $this->find($job['kind'] === InstructionKind::Search);
        if ($job['kind'] === InstructionKind::Turn) {
            return Message::done($job['number']);
        }
        if ($found !== null) {
            return Message::refused($job['number'], $found);
        }

        return Message::done($job['number'], $job['kind'] === InstructionKind::Measure ? $this->read(1.0) : null);
    }

    /** Measures what the red dot hits, holding still where it points. */
    private function shoot(int $number): Message
    {
        $hit = $this->world->blocked ? null : $this->dotAt($this->circle, $this->zenith);
        if ($hit === null) {
            return Message::refused($number, $this->world->blocked ? Refusal::SightBlocked : Refusal::NoReturn);
        }
        $w = $this->world;
        $line = Optics::line($w->tripod->axis(), $hit, $w->tripod->circleZero, $w->air->refraction);
        $stated = self::accuracy();
        $noise = $w->noise->normal(...);
        // It points where it points: only reading the circles is uncertain, and without a prism the distance twice as much.
        $shown = Optics::shown($line['slope'], $w->air, 0.0, $this->ppm, $this->prismConstant)
            + $noise(2 * hypot($stated->distance, $stated->distancePpm * 1e-6 * $line['slope']));

        return Message::done($number, Optics::reading([
            'circle' => Angle::wrap($this->circle + $noise($stated->angle)), 'zenith' => $this->zenith + $noise($stated->angle),
        ] + $line, $shown, $this->ppm, $this->prismConstant));
    }

    private function dotAt(float $circle, float $zenith): ?Position
    {
        $w = $this->world;
        $toward = Optics::along($w->tripod->axis(), $circle, $zenith, 30.0, $w->tripod->circleZero, $w->air->refraction);

        return $w->surfaces?->hit($w->tripod->axis(), $toward);
    }

    /**
     * Points at the prism and holds it, or says why not.
     *
     * @param  bool  $allRound  sweeps the whole circle instead of looking where the telescope points
     */
    private function find(bool $allRound = false): ?Refusal
    {
        $line = $this->line();
        $near = $allRound
            || abs(Angle::signed($line['circle'] - $this->circle)) < self::FIELD && abs($line['zenith'] - $this->zenith) < 4 * self::FIELD;
        $why = match (true) {
            $this->world->blocked && ($near || $this->locked) => Refusal::SightBlocked,
            ! $near && ! $this->locked => Refusal::NoPrism,
            $line['slope'] < self::NEAREST || $line['slope'] > self::FARTHEST => Refusal::OutOfRange,
            default => null,
        };
        $this->locked = $why === null;
        if ($this->locked) {
            $this->circle = $line['circle'];
            $this->zenith = $line['zenith'];
        }

        return $why;
    }

    /** Keeps the telescope on the prism, loses it behind an obstacle, finds it again when it comes back into view. */
    private function follow(): void
    {
        $held = $this->locked;
        $why = $this->unfit() ?? $this->find();
        if ($why === null) {
            $this->trouble = null;
        } elseif ($held || $why === Refusal::SightBlocked || $why === Refusal::OutOfRange) {
            $this->trouble = $held && $why === Refusal::NoPrism ? Refusal::PrismLost : $why;
            $this->locked = false;
        }
    }

    /** @return array{circle: float, zenith: float, slope: float} */
    private function line(): array
    {
        $still = new Noise(1);

        return Optics::line(
            $this->world->tripod->axis(), $this->world->pole->prism($still), $this->world->tripod->circleZero,
            $this->world->air->refraction,
        );
    }

    /** @param  float  $coarse how much noisier than stated */
    private function read(float $coarse): RawReading
    {
        $w = $this->world;
        $line = Optics::line($w->tripod->axis(), $w->pole->prism($w->noise), $w->tripod->circleZero, $w->air->refraction);
        $stated = self::accuracy();
        $shown = Optics::shown($line['slope'], $w->air, $w->pole->prismConstant, $this->ppm, $this->prismConstant);
        $line['circle'] = Angle::wrap($line['circle'] + $w->noise->normal($coarse * $stated->angle));
        $line['zenith'] += $w->noise->normal($coarse * $stated->angle);
        $shown += $w->noise->normal($coarse * hypot($stated->distance, $stated->distancePpm * 1e-6 * $line['slope']));

        if ($coarse === 1.0 && $w->wrongFace) {
            $line['circle'] = Angle::wrap($line['circle'] + M_PI);
            $w->wrongFace = false;
        }

        return Optics::reading($line, $shown, $this->ppm, $this->prismConstant);
    }
}
