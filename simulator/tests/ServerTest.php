<?php

declare(strict_types=1);

namespace Parlay\Simulator\Tests;

use PHPUnit\Framework\TestCase;

/** The process itself, over its sockets. */
final class ServerTest extends TestCase
{
    /** @var resource */
    private $process;

    private string $instrument;

    private string $world;

    protected function setUp(): void
    {
        [$this->instrument, $this->world] = [self::freeAddress(), self::freeAddress()];
        $this->process = proc_open(
            [PHP_BINARY, __DIR__.'/../bin/stand-in.php', $this->instrument, $this->world],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes,
        );
    }

    protected function tearDown(): void
    {
        proc_terminate($this->process, SIGKILL);
        proc_close($this->process);
    }

    public function test_it_speaks_its_protocol_on_one_door_and_moves_the_world_on_the_other(): void
    {
        $link = self::connect($this->instrument);
        $hand = self::connect($this->world);
        self::assertSame('status', self::hear($link)['event']);
        $planted = self::ask($hand, ['do' => 'plant', 'site' => 's', 'seed' => 3, 'control' => [
            ['name' => 'A', 'northing' => 0, 'easting' => 0, 'elevation' => 1], ['name' => 'B', 'northing' => 40, 'easting' => 30],
        ]]);
        self::assertTrue($planted['ok']);
        self::assertCount(2, $planted['world']['marks']);
        self::assertFalse(self::ask($hand, ['do' => 'nothing'])['ok']);
        fwrite($link, "not json\n".json_encode(['id' => 1, 'do' => 'dance'])."\n"
            .json_encode(['id' => 2, 'do' => 'settings', 'ppm' => 5.5, 'prism_constant' => -0.03])."\n");
        self::assertSame('not_understood', self::answer($link, 1)['why']);
        self::assertTrue(self::answer($link, 2)['ok']);
        fwrite($link, json_encode(['id' => 3, 'do' => 'measure'])."\n");
        self::assertSame('no_prism', self::answer($link, 3)['why']);
    }

    public function test_a_cut_link_is_closed_and_refused_for_a_while(): void
    {
        $link = self::connect($this->instrument);
        self::hear($link);
        self::ask(self::connect($this->world), ['do' => 'cut', 'seconds' => 0.5]);
        stream_get_contents($link);
        self::assertTrue(feof($link));
        $refused = self::connect($this->instrument);
        self::assertFalse(fgets($refused));
        usleep(600_000);
        self::assertSame('status', self::hear(self::connect($this->instrument))['event']);
    }

    private static function freeAddress(): string
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return $name;
    }

    /** @return resource */
    private static function connect(string $address)
    {
        for ($i = 0; $i < 100; $i++) {
            $socket = @stream_socket_client("tcp://$address", $c, $m, 1.0);
            if ($socket !== false) {
                stream_set_timeout($socket, 3);

                return $socket;
            }
            usleep(50_000);
        }
        self::fail('The stand-in did not come up.');
    }

    private static function hear($socket): array
    {
        return json_decode((string) fgets($socket), true) ?? self::fail('Nothing was said.');
    }

    private static function answer($link, int $number): array
    {
        do {
            $said = self::hear($link);
        } while (($said['re'] ?? null) !== $number);

        return $said;
    }

    private static function ask($hand, array $deed): array
    {
        fwrite($hand, json_encode($deed)."\n");

        return self::hear($hand);
    }
}
