<?php

declare(strict_types=1);

namespace Tests;

/** Parlay running as a user runs it: ./parlay start on a data folder of its own. */
final class Running
{
    public readonly string $url;

    public readonly string $data;

    public readonly int $port;

    /** @var resource */
    private $process;

    /**
     * @param  list<string>  $options  as they are typed
     * @param  string|null  $data  the folder of one that ran before; whoever gives it clears it away
     */
    public function __construct(
        string $command = 'start',
        array $options = [],
        private readonly ?string $keptData = null,
        ?int $port = null,
    ) {
        $this->data = $keptData ?? sys_get_temp_dir().'/parlay-run-'.bin2hex(random_bytes(6));
        $this->port = $port ?? self::freePorts();
        $this->url = "http://127.0.0.1:{$this->port}";
        $log = "{$this->data}.log";
        $this->process = proc_open(
            [dirname(__DIR__).'/parlay', $command, '--port', (string) $this->port, '--data', $this->data, ...$options],
            [['file', '/dev/null', 'r'], ['file', $log, 'w'], ['file', $log, 'a']], $pipes, null, self::plainEnvironment(),
        )
            ?: throw new \RuntimeException('Parlay could not be started.');
        for ($i = 0; $i < 600 && ! str_contains((string) file_get_contents($log), 'Parlay answers'); $i++) {
            if (! proc_get_status($this->process)['running']) {
                break;
            }
            usleep(100_000);
        }
        if (! str_contains((string) file_get_contents($log), 'Parlay answers')) {
            throw new \RuntimeException('Parlay did not come up: '.file_get_contents($log));
        }
    }

    /** TERM, as Ctrl-C does; waits until it is gone. */
    public function stop(): void
    {
        if (! is_resource($this->process)) {
            return;
        }
        proc_terminate($this->process, SIGTERM);
        for ($i = 0; $i < 100 && proc_get_status($this->process)['running']; $i++) {
            usleep(100_000);
        }
        proc_close($this->process);
    }

    public function __destruct()
    {
        $this->stop();
        $log = (string) @file_get_contents("{$this->data}/storage/parlay.log");
        if ($log !== '') {
            fwrite(STDERR, 'Parlay logged an error: '.substr($log, 0, 1500)."\n");
        }
        exec('rm -rf '.($this->keptData === null ? escapeshellarg($this->data).' ' : '').escapeshellarg($this->data.'.log'));
    }

    /**
     * @param  array<string, mixed>|null  $body
     * @return array<array-key, mixed>
     */
    public function ask(string $method, string $path, ?array $body = null): array
    {
        $context = stream_context_create(['http' => [
            'method' => $method, 'header' => "Content-Type: application/json\r\nAccept: application/json",
            'content' => $body === null ? '' : json_encode($body), 'ignore_errors' => true, 'timeout' => 20,
        ]]);
        $answer = @file_get_contents($this->url.'/api/v1'.$path, false, $context);
        // A machine with much else to do may not answer in time: what only asks is asked again.
        for ($tries = 3; $method === 'GET' && $answer === false && $tries > 0; $tries--) {
            sleep(1);
            $answer = @file_get_contents($this->url.'/api/v1'.$path, false, $context);
        }
        $data = json_decode((string) $answer, true);
        if ($method === 'GET' && (! is_array($data) || str_contains($http_response_header[0] ?? '', ' 50'))) {
            throw new \RuntimeException("No answer to GET $path: ".($http_response_header[0] ?? 'nothing came').' '.substr((string) $answer, 0, 300));
        }

        return is_array($data) ? $data : [];
    }

    /** @return array<array-key, mixed> */
    public function upload(int $project, string $path): array
    {
        $curl = curl_init("{$this->url}/api/v1/projects/$project/uploads");
        curl_setopt_array(
            $curl, [CURLOPT_POSTFIELDS => ['file' => new \CURLFile($path)], CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 60],
        );
        $data = json_decode((string) curl_exec($curl), true);

        return is_array($data) ? $data : [];
    }

    /** What it printed while it started. */
    public function said(): string
    {
        return (string) file_get_contents($this->data.'.log');
    }

    /** Ends the script outright, as a lost terminal or the system does; what it had started lives on. */
    public function killScript(): void
    {
        posix_kill(proc_get_status($this->process)['pid'], SIGKILL);
        proc_close($this->process);
    }

    /** Waits until something holds; false when it does not within the time. */
    public static function until(callable $holds, float $seconds): bool
    {
        for ($end = microtime(true) + $seconds; microtime(true) < $end; usleep(40_000)) {
            if ($holds()) {
                return true;
            }
        }

        return false;
    }

    /** Process ids of this Parlay whose command line holds a text. @return list<int> */
    public function pids(string $text): array
    {
        exec('pgrep -f '.escapeshellarg($text), $all);
        $mine = [];
        foreach (array_map(intval(...), $all) as $pid) {
            if (str_contains((string) @file_get_contents("/proc/$pid/environ"), $this->data)
                && str_starts_with((string) @file_get_contents("/proc/$pid/comm"), 'php')) {
                $mine[] = $pid;
            }
        }

        return $mine;
    }

    /**
     * As a user's shell has it: what other tests set for an application inside their own process is not passed on.
     *
     * @return array<string, string>
     */
    private static function plainEnvironment(): array
    {
        return array_diff_key(getenv(), array_flip([
            'PARLAY_DATA', 'APP_KEY', 'APP_ENV', 'QUEUE_CONNECTION', 'PARLAY_INSTRUMENT', 'PARLAY_WORLD', 'PARLAY_HOSTS',
            'PARLAY_ASKS_KEY',
        ]));
    }

    /** Kills outright what has a text in its command line. */
    public function kill(string $text): void
    {
        $pids = $this->pids($text);
        if ($pids === []) {
            throw new \RuntimeException("Nothing like $text is running.");
        }
        foreach ($pids as $pid) {
            posix_kill($pid, SIGKILL);
        }
    }

    /** The first of three ports in a row that nobody uses. */
    private static function freePorts(): int
    {
        for ($port = random_int(20_000, 50_000); ; $port += 7) {
            $taken = false;
            foreach ([0, 1, 2] as $k) {
                $socket = @stream_socket_server('tcp://127.0.0.1:'.($port + $k));
                $taken = $taken || $socket === false;
                if ($socket !== false) {
                    fclose($socket);
                }
            }
            if (! $taken) {
                return $port;
            }
        }
    }
}
