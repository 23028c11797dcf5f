<?php

declare(strict_types=1);

namespace Tests\Feature\Instrument;

use App\Instrument\Lead;
use App\Projects\Models\Project;
use App\Stakeout\Models\Run;
use Illuminate\Testing\TestResponse;
use Tests\FeatureTestCase;

/** Two tablets and one instrument: one leads, the other asks, and none turns it away under the other. */
final class LeadTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
    }

    /** @param  array<string, mixed>  $body */
    private function as(string $device, string $method, string $path, array $body = []): TestResponse
    {
        $this->withHeaders($device === '' ? [] : ['Parlay-Device' => $device, 'Parlay-Device-Name' => rawurlencode("Tablet “{$device}” Süd")]);
        try {
            return $this->ask($method, "/projects/{$this->project->id}$path", $body);
        } finally {
            $this->flushHeaders();
        }
    }

    /** @return array<string, mixed>|null */
    private function seenBy(string $device): ?array
    {
        return $this->as($device, 'GET', '/live')->assertOk()->json('lead');
    }

    private function order(string $device, string $what = 'search'): TestResponse
    {
        return $this->as($device, 'POST', "/instrument/$what", ['key' => bin2hex(random_bytes(8))] + ($what === 'track' ? ['on' => true] : []));
    }

    private function say(string $device, string $do): TestResponse
    {
        return $this->as($device, 'POST', '/instrument/lead', ['do' => $do]);
    }

    /** As if so many seconds had passed since. */
    private function ago(string $what, float $seconds): void
    {
        Lead::change(static fn (?Lead $l): ?Lead => $l?->with([$what => ($what === 'askedAt' ? (float) $l->askedAt : $l->heardAt) - $seconds]));
    }

    public function test_who_gives_the_first_order_leads_and_another_is_refused_until_it_is_given(): void
    {
        self::assertNull($this->seenBy('a'));
        $this->order('a')->assertStatus(422)->assertSee('reached');
        foreach (['search', 'track', 'measure', 'turn'] as $what) {
            $body = ['key' => "from b $what", 'purpose' => 'stake', 'on' => true, 'controlId' => 1];
            $body = array_intersect_key($body, array_flip(['search' => ['key'], 'track' => ['key', 'on'], 'measure' => ['key', 'purpose'], 'turn' => ['key', 'controlId']][$what]));
            $this->as('b', 'POST', "/instrument/$what", $body)->assertStatus(409)->assertJsonPath('reason', 'led')->assertJsonPath('evidence.name', 'Tablet “a” Süd');
        }
        self::assertStringNotContainsString('leads', (string) $this->order('b', 'cancel')->json('message'), 'anybody may stop it');
        self::assertStringNotContainsString('leads', (string) $this->order('')->json('message'), 'a script is not asked');
        self::assertTrue($this->seenBy('a')['mine']);
        self::assertSame([false, null, false], array_map(fn (string $k) => $this->seenBy('b')[$k], ['mine', 'asks', 'asked']));

        $this->say('b', 'take')->assertStatus(409)->assertJsonPath('reason', 'led');
        $this->say('b', 'give')->assertStatus(409);
        $this->say('a', 'give')->assertStatus(422)->assertSee('Nobody asks');
        $this->say('b', 'ask')->assertOk()->assertJsonPath('asked', true)->assertJsonPath('mayTake', false);
        $this->say('c', 'ask')->assertStatus(422)->assertSee('asks for the instrument already');
        self::assertSame('Tablet “b” Süd', $this->seenBy('a')['asks']);
        $this->say('a', 'keep')->assertOk();
        self::assertSame([false, true, null], array_map(fn (string $k) => $this->seenBy('b')[$k], ['asked', 'kept', 'asks']));
        $this->say('b', 'take')->assertStatus(409);

        $this->say('b', 'ask')->assertOk()->assertJsonPath('kept', false);
        $this->say('a', 'give')->assertOk()->assertJsonPath('mine', false)->assertJsonPath('name', 'Tablet “b” Süd');
        $this->order('a')->assertStatus(409);
        $this->order('b')->assertStatus(422)->assertSee('reached');
    }

    public function test_it_may_be_taken_where_nobody_answers_or_is_heard(): void
    {
        $this->order('a');
        $this->say('b', 'ask')->assertOk();
        $this->ago('askedAt', Lead::WAITS - 1);
        $this->say('b', 'take')->assertStatus(409);
        $this->ago('askedAt', 1.5);
        $this->say('c', 'take')->assertStatus(409);
        $this->say('b', 'take')->assertOk()->assertJsonPath('mine', true);
        // Whoever leads is heard by its polls, and only by its own.
        $this->ago('heardAt', Lead::SILENT + 1);
        self::assertTrue($this->seenBy('a')['mayTake']);
        self::assertLessThan(1.0, $this->seenBy('b')['silent']);
        self::assertFalse($this->seenBy('a')['mayTake']);
        $this->ago('heardAt', Lead::SILENT + 1);
        $this->order('a')->assertStatus(409, 'an order alone takes nothing');
        $this->say('a', 'take')->assertOk()->assertJsonPath('mine', true);
        // Gone for long, it has passed.
        $this->ago('heardAt', Lead::GONE + 1);
        $this->order('b')->assertStatus(422);
        self::assertTrue($this->seenBy('b')['mine']);
    }

    public function test_a_page_that_is_closed_leads_no_more_unless_another_of_its_device_is_open(): void
    {
        $this->order('a');
        $this->say('b', 'leave')->assertOk()->assertJsonPath('mine', false);
        $this->order('b')->assertStatus(409);
        $this->say('a', 'leave')->assertOk();
        self::assertTrue($this->seenBy('a')['mine'], 'a second tab');
        $this->order('b')->assertStatus(409);
        $this->say('a', 'leave')->assertOk();
        $this->order('b')->assertStatus(422)->assertSee('reached');
        self::assertTrue($this->seenBy('b')['mine']);
    }

    public function test_a_run_waits_when_the_lead_of_its_device_passes(): void
    {
        $this->order('a');
        $run = Run::query()->create([
            'project_id' => $this->project->id, 'key' => 'k', 'at' => '2026-12-01T10:00:00.000000Z', 'state' => 'running', 'leader' => 'a', 'settings' => [],
        ]);
        $this->ago('heardAt', Lead::GONE + 1);
        $this->order('b')->assertStatus(409, 'what runs is not taken by an order');
        $this->say('b', 'take')->assertOk();
        self::assertSame(['paused', 'Tablet “b” Süd leads the instrument now.'], [$run->refresh()->state->value, $run->why]);
        $this->as('a', 'POST', "/runs/{$run->id}/commands", ['do' => 'resume', 'leader' => 'a'])->assertStatus(409)->assertJsonPath('reason', 'led');
    }

    public function test_what_is_damaged_or_of_another_start_of_the_machine_leads_nothing(): void
    {
        $this->order('a');
        $path = config()->string('parlay.data').'/lead.json';
        foreach (['', '{', '[]', '{"boot":1}', '{"device":"a","strange":1}', json_encode(['boot' => 'another', 'device' => 'a', 'name' => 'A', 'heardAt' => 1.0])] as $text) {
            file_put_contents($path, $text);
            self::assertNull(Lead::read(), $text);
            $this->order('b')->assertStatus(422);
            self::assertTrue($this->seenBy('b')['mine']);
        }
        foreach (['x y', str_repeat('x', 65), "a\u{0301}", '../a'] as $strange) {
            $this->withHeaders(['Parlay-Device' => $strange]);
            $this->ask('POST', "/projects/{$this->project->id}/instrument/lead", ['do' => 'ask'])->assertStatus(422)->assertSee('Parlay-Device');
            $this->flushHeaders();
        }
    }
}
