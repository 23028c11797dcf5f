<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;

/** A headless Chromium with a driver of its own, gone with the object. */
final class Chrome
{
    public readonly RemoteWebDriver $driver;

    /** @var resource */
    private $process;

    private readonly string $profile;

    /** @param  list<string>  $more  arguments for the browser */
    public function __construct(int $width, int $height, array $more = [])
    {
        $port = self::freePort();
        $this->process = proc_open(
            ['chromedriver', "--port=$port", '--allowed-ips=127.0.0.1'],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes,
        )
            ?: throw new \RuntimeException('ChromeDriver could not be started.');
        $this->profile = sys_get_temp_dir().'/parlay-chrome-'.bin2hex(random_bytes(6));
        $options = (new ChromeOptions)->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-quic',
            '--no-first-run', '--disable-background-networking', '--disable-component-update',
            '--disable-sync', '--hide-scrollbars', "--window-size=$width,$height", "--user-data-dir={$this->profile}", ...$more,
        ]);
        $capabilities = DesiredCapabilities::chrome()->setCapability(ChromeOptions::CAPABILITY, $options);
        $this->driver = self::patiently(static fn () => RemoteWebDriver::create("http://127.0.0.1:$port", $capabilities, 10_000, 60_000));
        $this->size($width, $height);
    }

    /** The window's frame takes part of the size asked for; the page itself should have it. */
    public function size(int $width, int $height): void
    {
        $this->driver->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
            'cmd' => 'Emulation.setDeviceMetricsOverride',
            'params' => ['width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => false],
        ]);
    }

    public function __destruct()
    {
        try {
            $this->driver->quit();
        } catch (\Throwable) {
            // Already gone.
        }
        proc_terminate($this->process);
        proc_close($this->process);
        exec('rm -rf '.escapeshellarg($this->profile));
    }

    public static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr((string) strrchr($name, ':'), 1);
    }

    /**
     * @template T
     *  @param  callable(): T  $try
     *  @return T
     */
    private static function patiently(callable $try): mixed
    {
        for ($i = 0; ; $i++) {
            try {
                return $try();
            } catch (\Throwable $e) {
                if ($i >= 40) {
                    throw $e;
                }
                usleep(250_000);
            }
        }
    }
}
