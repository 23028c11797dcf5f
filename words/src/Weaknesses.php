<?php

declare(strict_types=1);

namespace Parlay\Words;

use Parlay\Core\Setups\Weakness;
use Parlay\Core\Setups\WeaknessKind;
use Parlay\Core\Units\LengthStyle;

/** One sentence that says why a setup is weak, what that does, and what would mend it. */
final readonly class Weaknesses
{
    public function __construct(
        private LengthStyle $length,
    ) {}

    public function sentence(Weakness $w): string
    {
        return sprintf(
            'Weak figure: %s. %s, %s off, may come out %s wrong for it. %s',
            $this->why($w), $w->ofWork ? 'The far end of the work' : 'A point',
            $this->length->format($w->far), $this->length->formatDeviation($w->reach), $this->remedy($w),
        );
    }

    private function why(Weakness $w): string
    {
        $length = $w->metres === null ? '' : $this->length->format($w->metres);
        $name = $w->names[0] ?? '';

        return match ($w->kind) {
            WeaknessKind::NearCircle => "the instrument stands near the circle through {$this->three(
                $w->names,
            )}, on which their angles are the same everywhere",
            WeaknessKind::OneWay => 'all sights go nearly the same way, toward '.Compass::word((float) $w->toward),
            WeaknessKind::AnglesInLine => 'the marks and the instrument lie nearly in line, where angles alone say little along it',
            WeaknessKind::DistancesInLine => 'the instrument stands near the line through the marks, where distances say little across it',
            WeaknessKind::ShortSights => "the sights, at most $length, are much shorter than what will be staked",
            WeaknessKind::InLine => 'the sights lie nearly in line with the instrument',
            WeaknessKind::OneSide => 'all control lies to one side of the work',
            WeaknessKind::Weak => 'the sights fix the place and the orientation badly',
            WeaknessKind::ShortLine => "the shots along line $name lie only $length apart",
            WeaknessKind::ShortBacksight => "the longest backsight, to “{$name}”, is only $length long",
            WeaknessKind::NearDirection => "the mark that has the direction is only $length away",
            WeaknessKind::ShortBaseline => "the baseline is only $length long",
        };
    }

    private function remedy(Weakness $w): string
    {
        $longer = $w->mended === null ? '' : $this->length->format($w->mended);
        $name = $w->names[0] ?? '';

        return match ($w->kind) {
            WeaknessKind::ShortLine => "Shoot line $name farther along, at least $longer from one shot to the other.",
            WeaknessKind::ShortBacksight => "Take a longer backsight, of at least $longer.",
            WeaknessKind::NearDirection => "Sight a mark in that direction that is at least $longer away.",
            WeaknessKind::ShortBaseline => "Take a longer baseline, of at least $longer.",
            default => $w->mark === null ? sprintf(
                'Sight a control point toward %s, as far away as the work.', Compass::word((float) $w->markToward),
            )
                : sprintf(
                    'A sight to “%s”, toward %s, would bring that down to about %s.', $w->mark, Compass::word((float) $w->markToward),
                    $this->length->formatDeviation((float) $w->mended),
                ),
        };
    }

    /** @param  list<string>  $names */
    private function three(array $names): string
    {
        return sprintf('“%s”, “%s” and “%s”', ...$names);
    }
}
