<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use PHPUnit\Framework\Attributes\DataProvider;
use Tests\FeatureTestCase;

/** The interface as a careless or hostile program meets it. */
final class InterfaceTest extends FeatureTestCase
{
    #[DataProvider('wrongRequests')]
    public function test_a_wrong_request_is_answered_with_place_and_remedy(
        string $method,
        string $path,
        ?string $body,
        int $status,
        string $says,
    ): void {
        $project = $this->project();
        $response = $this->call(
            $method, str_replace('{p}', (string) $project->id, "/api/v1$path"), [], [], [],
            ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], $body,
        );
        $response->assertStatus($status);
        self::assertStringContainsString($says, (string) $response->json('message'));
        self::assertStringNotContainsString('.php', (string) $response->getContent());
        self::assertStringNotContainsString('SQLSTATE', (string) $response->getContent());
    }

    public static function wrongRequests(): array
    {
        $point = '/projects/{p}/points';

        return [
            'no such project' => ['GET', '/projects/999', null, 404, 'not here any more'],
            'a number beyond any' => ['GET', '/projects/99999999999999999999/live', null, 404, 'no such address'],
            'no such address' => ['GET', '/nothing', null, 404, 'no such address'],
            'a wrong method' => ['DELETE', '/ping', null, 405, 'method'],
            'no JSON' => ['POST', $point, 'hello', 422, 'JSON object'],
            'a list' => ['POST', $point, '[1,2]', 422, 'JSON object'],
            'a missing field' => ['POST', $point, '{}', 422, '“name” is missing'],
            'an extra field' => ['POST', $point, '{"name":"A","northing":1,"easting":2,"elevatoin":3}', 422, '“elevatoin” is not a field'],
            'a text for a number' => ['POST', $point, '{"name":"A","northing":"1","easting":2}', 422, '“northing” must be a number'],
            'an infinite number' => ['POST', $point, '{"name":"A","northing":1e999,"easting":2}', 422, '“northing” must be a number'],
            'a number beyond any grid' => ['POST', $point, '{"name":"A","northing":1e300,"easting":2}', 422, '“northing” must be a number'],
            'an empty name' => ['POST', $point, '{"name":"  ","northing":1,"easting":2}', 422, 'needs a name'],
            'a name of two lines' => ['POST', $point, '{"name":"A\nB","northing":1,"easting":2}', 422, 'line breaks'],
            'nothing to place it' => ['POST', $point, '{"name":"A"}', 422, 'northing and an easting'],
            'an unknown word' => [
                'POST', '/projects',
                '{"name":"A","units":{"length":"ell","angle":"dms","direction":"azimuth","order":"NE","station":"1+000"}}', 422,
                '“units.length” must be one of',
            ],
            'a file that is not there' => [
                'POST', '/projects/{p}/points-preview', '{"upload":"../../../etc/passwd"}', 422, 'not here any more',
            ],
            'no file at all' => ['POST', '/projects/{p}/uploads', null, 422, 'No file arrived'],
            'a length that is none' => ['GET', '/compute/length?text=abc&style=m', null, 422, 'is not a length'],
            'a query without its text' => ['GET', '/compute/length?style=m', null, 422, '“text” is missing'],
            'an implausible height' => ['PATCH', '/projects/{p}/setup', '{"targetHeight":200}', 422, '200.000 m is not between 0 and 6.000 m'],
            'an unreachable instrument' => ['POST', '/projects/{p}/instrument/search', '{"key":"12345678"}', 422, 'can’t be reached'],
            'a mark without a setup' => [
                'POST', '/projects/{p}/marks', '{"key":"12345678","observationId":1,"kind":"stake"}', 422,
                'Set up the instrument first',
            ],
            'the practice world when it is not running' => ['GET', '/practice', null, 422, 'not running'],
        ];
    }

    public function test_the_calculator_stores_nothing(): void
    {
        $readings = $this->ask('GET', '/compute/length?style=ftin16&text='.rawurlencode('12-3 1/2'))->assertOk()->json();
        self::assertSame(['12\' 3 1/2"', '8\' 6"'], array_column($readings, 'text'));
        $sight = $this->ask('POST', '/compute/sight', ['circle' => 0, 'zenith' => M_PI_2, 'slope' => 100, 'temperature' => 12])->assertOk();
        self::assertEqualsWithDelta(100.0, $sight->json('distance'), 1e-4);
        $reading = static fn (float $circle, float $slope) => [
            'circle' => $circle, 'zenith' => M_PI_2, 'slope' => $slope, 'targetHeight' => 1.6, 'temperature' => 12,
        ];
        $setup = $this->ask('POST', '/compute/setup', ['method' => 'resection', 'instrumentHeight' => 1.6, 'sights' => [
            ['name' => 'A', 'control' => ['northing' => 100, 'easting' => 0, 'elevation' => 5], 'reading' => $reading(0.0, 100.0)],
            ['name' => 'B', 'control' => ['northing' => 0, 'easting' => 50, 'elevation' => 5], 'reading' => $reading(M_PI_2, 50.0)],
        ]])->assertOk();
        self::assertEqualsWithDelta([0.0, 0.0], [$setup->json('northing'), $setup->json('easting')], 1e-4);
        $guidance = $this->ask('POST', '/compute/guidance', [
            'instrument' => ['northing' => 0, 'easting' => 0], 'pole' => ['northing' => 100, 'easting' => 0],
            'design' => ['northing' => 99, 'easting' => 2],
        ])->assertOk();
        self::assertEqualsWithDelta([1.0, -2.0], [$guidance->json('toward'), $guidance->json('right')], 1e-9);
        foreach (['projects', 'observations', 'setups', 'marks', 'stakeout_points'] as $table) {
            $this->assertDatabaseCount($table, 0);
        }
    }

    public function test_every_route_of_the_interface_is_described(): void
    {
        $described = [];
        foreach (json_decode(
            (string) $this->get('/api/v1/openapi.json')->baseResponse->getFile()->getContent(), true,
        )['paths'] as $path => $methods) {
            foreach (array_keys($methods) as $method) {
                $described[] = strtoupper($method).' '.ltrim($path, '/');
            }
        }
        foreach (app('router')->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/v1/') && ! str_ends_with($route->uri(), 'openapi.json')) {
                self::assertContains($route->methods()[0].' '.$route->uri(), $described);
            }
        }
    }

    public function test_operations_are_called_by_verb_and_subject_and_none_twice(): void
    {
        $named = [];
        foreach (json_decode((string) $this->get('/api/v1/openapi.json')->baseResponse->getFile()->getContent(), true)['paths'] as $path => $methods) {
            foreach ($methods as $method => $operation) {
                self::assertMatchesRegularExpression('~^[a-z]+([A-Z][a-z]*)+$~', $operation['operationId'], $path);
                $named[$operation['operationId']][] = "$method $path";
            }
        }
        self::assertSame([], array_filter($named, static fn (array $of): bool => count($of) > 1));
        self::assertSame(['get /api/v1/projects/{project}/alignments'], $named['listAlignments']);
        self::assertSame(['post /api/v1/projects/{project}/points-deletion'], $named['deletePoints']);
        self::assertSame(['post /api/v1/projects/{project}/instrument/turn'], $named['turnInstrument']);
    }

    public function test_every_address_of_the_screen_is_one_page(): void
    {
        $this->withoutVite();
        foreach (['/', '/projects', '/p/1/stake?target=4'] as $address) {
            $this->get($address)->assertOk()->assertSee('id="parlay"', false);
        }
    }
}
