<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Instrument\Instruction;
use Parlay\Core\Instrument\Refusal;
use React\EventLoop\Loop;
use React\Socket\ConnectionInterface;
use React\Socket\SocketServer;

/** Two doors: one speaks the instrument's protocol, the other moves the world. Both take one JSON object a line. */
final class Server
{
    private const TICK = 0.02;

    private const STATUS_EVERY = 0.5;

    private const KEPT_EVERY = 2.0;

    private const LONGEST_LINE = 1_048_576;

    /** @var \SplObjectStorage<ConnectionInterface, null> */
    private \SplObjectStorage $links;

    private float $deafUntil = 0.0;

    private readonly Drawer $drawer;

    private string $kept = '';

    /** @param  string|null  $stateFile where the world is kept, so that it is the same after a restart */
    public function __construct(private readonly StandIn $instrument, private readonly ?string $stateFile = null)
    {
        $this->links = new \SplObjectStorage;
        $this->drawer = new Drawer($instrument);
    }

    public function listen(string $instrumentAddress, string $worldAddress): void
    {
        (new SocketServer($instrumentAddress))->on('connection', $this->acceptLink(...));
        (new SocketServer($worldAddress))->on('connection', $this->acceptDrawer(...));
        Loop::addPeriodicTimer(self::TICK, fn () => $this->sendAll($this->instrument->tick(self::now())));
        Loop::addPeriodicTimer(self::STATUS_EVERY, fn () => $this->sendAll([$this->instrument->status()]));
        if ($this->stateFile !== null) {
            Loop::addPeriodicTimer(self::KEPT_EVERY, $this->keepWorld(...));
        }
        Loop::run();
    }

    /** The instrument in the world as it was kept, or in a new one. */
    public static function restored(string $stateFile): StandIn
    {
        $bytes = is_file($stateFile) ? (string) file_get_contents($stateFile) : '';
        $kept = self::worlds($bytes);
        // Tried on copies, for trying uses up luck.
        if ($kept === [] || count(array_filter(self::worlds($bytes), self::isWhole(...))) < count($kept)) {
            return new StandIn(new World);
        }
        $instrument = new StandIn(array_shift($kept));
        foreach ($kept as $world) {
            $instrument->left[$world->site] = $world;
        }

        return $instrument;
    }

    /** @return list<World> the one that it stands in, and those that it was taken from */
    private static function worlds(string $bytes): array
    {
        $kept = @unserialize($bytes);
        $worlds = is_array($kept) ? array_values($kept) : [$kept];

        return array_values(array_filter($worlds, static fn (mixed $w) => $w instanceof World));
    }

    /** A world put away by an earlier version may lack what this one needs. */
    private static function isWhole(World $copy): bool
    {
        try {
            $instrument = new StandIn($copy);

            return is_finite($instrument->readNow()->slope) && json_encode((new Drawer($instrument))->look()) !== false;
        } catch (\Error) {
            return false;
        }
    }

    private function keepWorld(): void
    {
        $world = serialize([$this->instrument->world, ...array_values($this->instrument->left)]);
        if ($world !== $this->kept) {
            file_put_contents($this->stateFile.'.new', $world);
            rename($this->stateFile.'.new', (string) $this->stateFile);
            $this->kept = $world;
        }
    }

    private function acceptLink(ConnectionInterface $link): void
    {
        if (self::now() < $this->deafUntil) {
            $link->close();

            return;
        }
        $this->links->attach($link);
        $link->on('close', fn () => $this->links->detach($link));
        $link->write($this->instrument->status()->line());
        self::lines($link, function (array $request) use ($link): void {
            $number = is_int($request['id'] ?? null) ? $request['id'] : 0;
            try {
                $instruction = Instruction::restored(is_string($request['do'] ?? null) ? $request['do'] : '', $request);
            } catch (\ValueError) {
                $link->write(Message::refused($number, Refusal::NotUnderstood)->line());

                return;
            }
            $this->sendAll($this->instrument->instruct($number, $instruction, self::now()));
            $this->sendAll([$this->instrument->status()]);
        });
    }

    private function acceptDrawer(ConnectionInterface $hand): void
    {
        self::lines($hand, function (array $deed) use ($hand): void {
            try {
                $answer = ['ok' => true, 'world' => $this->drawer->do($deed)];
            } catch (\InvalidArgumentException|\DomainException $e) {
                $answer = ['ok' => false, 'error' => $e->getMessage()];
            }
            $hand->write(json_encode($answer, JSON_THROW_ON_ERROR)."\n");
            $this->cutWhenAsked();
            if ($this->stateFile !== null && ($deed['do'] ?? null) !== 'look') {
                $this->keepWorld();
            }
        });
    }

    private function cutWhenAsked(): void
    {
        if ($this->drawer->cut === null) {
            return;
        }
        $this->deafUntil = self::now() + $this->drawer->cut;
        $this->drawer->cut = null;
        foreach (iterator_to_array($this->links, false) as $link) {
            $link->close();
        }
    }

    /** @param  list<Message>  $messages */
    private function sendAll(array $messages): void
    {
        foreach ($messages as $message) {
            foreach (iterator_to_array($this->links, false) as $link) {
                $link->write($message->line());
            }
        }
    }

    /** @param  callable(array<array-key, mixed>): void  $take */
    private static function lines(ConnectionInterface $connection, callable $take): void
    {
        $buffer = '';
        $connection->on('data', static function (string $bytes) use (&$buffer, $take, $connection): void {
            $buffer .= $bytes;
            if (strlen($buffer) > self::LONGEST_LINE) {
                $connection->close();

                return;
            }
            while (($end = strpos($buffer, "\n")) !== false) {
                $request = json_decode(substr($buffer, 0, $end), true);
                $buffer = substr($buffer, $end + 1);
                $take(is_array($request) ? $request : []);
            }
        });
    }

    private static function now(): float
    {
        return hrtime(true) / 1e9;
    }
}
