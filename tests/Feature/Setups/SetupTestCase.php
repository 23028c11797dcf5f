<?php

declare(strict_types=1);

namespace Tests\Feature\Setups;

use App\Control\Models\ControlPoint;
use Tests\Feature\SiteTestCase;

/** A project with four control points and a stand-in among them. */
abstract class SetupTestCase extends SiteTestCase
{
    protected function check(string $mark): void
    {
        $shot = $this->measure($this->project, 'check', $this->world->marks[$mark], $mark);
        $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'check', 'observationId' => $shot->id,
            'controlId' => ControlPoint::of($this->project)->where('name', $mark)->value('id'),
        ])->assertOk();
    }
}
