<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\Instrument\Models\Observation;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;

/** From which setup a reading was taken, or which one was made of it; of a setup that was mended the latest version. */
final readonly class SetupOfReading
{
    /**
     * @param  array<int, Setup>  $setups  by their number
     * @param  array<int, int>  $made  number of the setup by that of a reading it was made of
     */
    private function __construct(public array $setups, private array $made) {}

    public static function in(Project $project): self
    {
        $setups = $made = [];
        foreach (Setup::of($project)->orderBy('id')->get() as $setup) {
            $setups[$setup->id] = $setup;
            foreach ($setup->sights as $sight) {
                $made[(int) $sight['observationId']] = $setup->id;
            }
        }

        return new self($setups, $made);
    }

    /** Null where none was made of it yet. */
    public function of(Observation $o): ?Setup
    {
        return $this->setups[$this->made[$o->id] ?? $o->setup_id ?? 0] ?? null;
    }
}
