<?php

declare(strict_types=1);

namespace App\Examples;

use App\Buildings\ElementStore;
use App\Buildings\StoredElement;
use App\Cogo\Candidate;
use App\Control\Models\GridLine;
use App\Projects\Models\Project;
use Parlay\Core\Control\GridCrossing;
use Parlay\Core\Control\GridLine as Line;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\InTurn;
use Parlay\Words\Compass;

/** Names places on things by what the thing says and where it stands; those that would share a name are numbered in turn, as seen from above. */
final class NamesOnThings
{
    /** Nearer to the middle of a thing a place lies on no side of it, metres. */
    private const MIDDLE = 1e-3;

    /** @var list<array{string, Position}>|null */
    private ?array $crossings = null;

    public function __construct(
        private readonly Project $project,
        private readonly ElementStore $store,
        private readonly ElementNaming $naming,
    ) {}

    /**
     * @param  list<Candidate>  $candidates
     * @param  list<StoredElement>  $things  that each lies on
     * @return list<Candidate> named, in the order of their names
     */
    public function named(array $candidates, array $things): array
    {
        $turn = new InTurn($this->naming->first, $this->naming->clockwise);
        $groups = [];
        foreach ($candidates as $i => $c) {
            // Without a name of its own each thing is gone about by itself.
            $base = $this->naming->parts === [] ? "thing {$things[$i]->number}" : $this->base($things[$i], $c->position);
            $groups["n$base"][] = $i;
        }
        $several = array_filter($groups, static fn (array $g): bool => count($g) > 1) !== [];
        $named = [];
        foreach ($groups as $base => $numbers) {
            $order = $turn->of(array_map(static fn (int $i): Position => $candidates[$i]->position, $numbers));
            foreach ($order as $k => $n) {
                $name = $this->naming->parts === [] ? null : substr((string) $base, 1).($several ? $this->naming->separator.($k + 1) : '');
                $named[] = $candidates[$numbers[$n]]->named($name);
            }
        }

        return $named;
    }

    private function base(StoredElement $thing, Position $at): string
    {
        $parts = array_filter(array_map(fn (NamePart $p): string => trim(match ($p) {
            NamePart::Crossing => $this->crossing($at),
            NamePart::Name => $thing->name,
            NamePart::Tag => $thing->tag,
            NamePart::Type => $thing->type,
            NamePart::Storey => $thing->storey,
            NamePart::ThisClass => $thing->class,
            NamePart::Side => self::side($thing, $at),
        }), $this->naming->parts), static fn (string $s): bool => $s !== '');

        return $this->naming->prefix.implode($this->naming->separator, $parts);
    }

    /** As seen from above, from the middle of the thing; nothing where the place lies there. */
    private static function side(StoredElement $thing, Position $at): string
    {
        [$from, $to] = $thing->parts()->middleLine($thing->place);
        $middle = new Position(($from[1] + $to[1]) / 2, ($from[0] + $to[0]) / 2);

        return $middle->distanceTo($at) < self::MIDDLE ? '' : Compass::letters($middle->azimuthTo($at));
    }

    private function crossing(Position $at): string
    {
        [$best, $least] = ['', INF];
        foreach ($this->crossings ??= $this->crossings() as [$name, $place]) {
            $apart = $place->distanceTo($at);
            if ($apart < $least) {
                [$best, $least] = [$name, $apart];
            }
        }

        return $best;
    }

    /** @return list<array{string, Position}> of the project's grid; where it has none, of the model's own */
    private function crossings(): array
    {
        $lines = GridLine::of($this->project)->orderBy('id')->get()->map(static fn (GridLine $l): Line => $l->line())->all();
        $lines = array_values($lines !== [] ? $lines : $this->store->axes());
        $found = array_map(static fn (GridCrossing $c): array => [$lines[$c->first]->name.$lines[$c->second]->name, $c->position], GridCrossing::all($lines));

        return $found !== [] ? $found
            : throw new \DomainException('There are no grid lines to name by, in the project or in the model. Choose another way of naming, or find the grid in Control.');
    }
}
