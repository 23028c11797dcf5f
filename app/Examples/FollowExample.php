<?php

declare(strict_types=1);

namespace App\Examples;

use App\Buildings\ElementPlace;
use App\Buildings\ElementStore;
use App\Buildings\StoredElement;
use App\Cogo\Candidate;
use App\Cogo\Construction;
use App\Cogo\GivenPlace;
use App\Designs\Models\Design;
use App\Projects\Models\Project;
use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Buildings\Example\ElementSpot;
use Parlay\Core\Buildings\Example\OnAnother;
use Parlay\Core\Buildings\Example\Parts;
use Parlay\Core\Cogo\ConstructionKind;
use Parlay\Core\Geometry\Position;
use Parlay\Words\ElementSpots;

/** The spots of an example on all things like the one it was shown on; each is a recipe of its own, held by that thing's own faces. */
final class FollowExample
{
    private const MOST = 50_000;

    /** @var list<Candidate> in the order in which they are named */
    public readonly array $candidates;

    /** @var list<NotFitting> */
    public readonly array $notFitting;

    /** @var list<int> instances of the things it fits */
    public readonly array $things;

    public readonly int $mirrored;

    /** @var array<string, list<ElementSpot>> by shape: things of one shape have the same spots, wherever they stand */
    private array $spotsOn = [];

    /** @throws \DomainException */
    public function __construct(private readonly Project $project, private readonly ExampleWanted $example)
    {
        if ($example->spots === []) {
            throw new \DomainException('Touch at least one spot of the thing.');
        }
        $store = ElementStore::of(Design::of($project)->findOrFail($example->designId, Design::LISTED));
        $model = $store->element($example->number) ?? throw new \DomainException('That thing is not in the model. Touch it again.');
        $parts = self::shown($model);
        $candidates = $things = $notFitting = $on = [];
        $mirrored = 0;
        foreach ((new Alike($store))->to($model, $example->alike) as $thing) {
            try {
                $found = $this->on($thing, $parts);
            } catch (DoesNotFit $e) {
                $notFitting[] = new NotFitting($thing->number, $thing->called(), ElementSpots::misfit($e));

                continue;
            }
            foreach ($found as $candidate) {
                $candidates[] = $candidate;
                $on[] = $thing;
            }
            $things[] = $thing->number;
            $mirrored += $thing->mirrored() ? 1 : 0;
            if (count($candidates) > self::MOST) {
                throw new \DomainException('These are more than 50,000 places. Choose one storey, or things more alike.');
            }
        }
        [$this->things, $this->notFitting, $this->mirrored] = [$things, $notFitting, $mirrored];
        $this->candidates = (new NamesOnThings($project, $store, $example->naming))->named($candidates, $on);
    }

    /**
     * @return list<Candidate>
     *
     * @throws DoesNotFit
     */
    private function on(StoredElement $thing, Parts $parts): array
    {
        $placed = $thing->placed();

        return array_map(function (ElementSpot $own) use ($placed, $thing): Candidate {
            [$east, $north, $height] = $placed->of($own);
            $place = new ElementPlace($this->example->designId, $thing->guid, $thing->number, $own);

            return new Candidate(
                new Construction(ConstructionKind::Place, [new GivenPlace(element: $place)]), new Position($north, $east, $height),
                code: $this->example->codeFrom->of($thing),
            );
        }, $this->spotsOn[$thing->shape] ??= (new OnAnother($parts, $thing->parts()))->spots($this->example->spots));
    }

    /** @throws \DomainException */
    private static function shown(StoredElement $model): Parts
    {
        try {
            return $model->parts();
        } catch (DoesNotFit $e) {
            throw new \DomainException($model->called().' '.ElementSpots::misfit($e).'.');
        }
    }
}
