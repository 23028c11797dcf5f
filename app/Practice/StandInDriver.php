<?php

declare(strict_types=1);

namespace App\Practice;

use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Done;
use Parlay\Core\Instrument\Instruction;
use Parlay\Core\Instrument\InstrumentReport;
use Parlay\Core\Instrument\InstrumentStatus;
use Parlay\Core\Instrument\LinkLost;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Refusal;
use Parlay\Core\Instrument\Refused;
use Parlay\Core\Instrument\TotalStation;
use Parlay\Core\Instrument\Tracked;

/** Speaks the stand-in's line protocol (docs/instrument-protocol.md). */
final class StandInDriver implements TotalStation
{
    private const CONNECTS_WITHIN = 1.0;

    /** Status comes every half second; three missing ones mean that nobody is there. */
    private const SILENT = 1.5;

    private const LONGEST_LINE = 65_536;

    /** @var resource|null */
    private $socket = null;

    private string $buffer = '';

    private float $heard = 0.0;

    public function __construct(private readonly string $address) {}

    public function open(): void
    {
        $socket = @stream_socket_client('tcp://'.$this->address, $code, $message, self::CONNECTS_WITHIN);
        if ($socket === false) {
            throw LinkLost::notAnswering($this->address);
        }
        stream_set_blocking($socket, false);
        $this->socket = $socket;
        $this->buffer = '';
        $this->heard = self::now();
    }

    public function send(int $number, Instruction $instruction): void
    {
        $line = json_encode(['id' => $number, 'do' => $instruction->kind->value] + $instruction->values, JSON_THROW_ON_ERROR)."\n";
        if ($this->socket === null || @fwrite($this->socket, $line) !== strlen($line)) {
            throw LinkLost::closed();
        }
    }

    public function reports(float $seconds): array
    {
        if ($this->socket === null) {
            throw LinkLost::closed();
        }
        $read = [$this->socket];
        $write = $except = null;
        @stream_select($read, $write, $except, 0, (int) ($seconds * 1e6));
        $bytes = (string) fread($this->socket, self::LONGEST_LINE);
        if ($bytes === '' && feof($this->socket)) {
            throw LinkLost::closed();
        }
        if ($bytes !== '') {
            $this->heard = self::now();
        } elseif (self::now() - $this->heard > self::SILENT) {
            throw LinkLost::silent(self::SILENT);
        }

        return $this->linesFrom($bytes);
    }

    public function close(): void
    {
        if ($this->socket !== null) {
            fclose($this->socket);
            $this->socket = null;
        }
    }

    /** @return list<InstrumentReport> */
    private function linesFrom(string $bytes): array
    {
        $this->buffer .= $bytes;
        if (strlen($this->buffer) > self::LONGEST_LINE * 4) {
            throw LinkLost::closed();
        }
        $reports = [];
        while (($end = strpos($this->buffer, "\n")) !== false) {
            $said = json_decode(substr($this->buffer, 0, $end), true);
            $this->buffer = substr($this->buffer, $end + 1);
            $report = is_array($said) ? self::report($said) : null;
            if ($report !== null) {
                $reports[] = $report;
            }
        }

        return $reports;
    }

    /** @param  array<array-key, mixed>  $said */
    public static function report(array $said): ?InstrumentReport
    {
        return match (true) {
            ($said['event'] ?? null) === 'status' => self::status($said),
            ($said['event'] ?? null) === 'reading'
                && is_array($said['reading'] ?? null) => new Tracked(self::reading($said['reading']), self::real($said, 'age')),
            is_int($said['re'] ?? null) && ($said['ok'] ?? null) === true => new Done(
                $said['re'], is_array($said['reading'] ?? null) ? self::reading($said['reading']) : null,
            ),
            is_int($said['re'] ?? null) => new Refused($said['re'], self::refusal($said['why'] ?? null) ?? Refusal::NotUnderstood),
            default => null,
        };
    }

    /** @param  array<array-key, mixed>  $said */
    private static function status(array $said): InstrumentStatus
    {
        $accuracy = is_array($said['accuracy'] ?? null) ? $said['accuracy'] : [];

        return new InstrumentStatus(
            model: is_string($said['model'] ?? null) ? $said['model'] : '',
            serial: is_string($said['serial'] ?? null) ? $said['serial'] : '',
            accuracy: new Accuracy(self::real($accuracy, 'angle'), self::real($accuracy, 'distance'), self::real($accuracy, 'ppm')),
            level: ($said['level'] ?? false) === true,
            locked: ($said['locked'] ?? false) === true,
            tracking: ($said['tracking'] ?? false) === true,
            tilt: self::real($said, 'tilt'),
            battery: self::real($said, 'battery'),
            circle: self::real($said, 'circle'),
            zenith: self::real($said, 'zenith'),
            trouble: self::refusal($said['trouble'] ?? null),
            ppm: isset($said['ppm']) ? self::real($said, 'ppm') : null,
            prismConstant: isset($said['prism_constant']) ? self::real($said, 'prism_constant') : null,
            pressure: isset($said['pressure']) ? self::real($said, 'pressure') : null,
        );
    }

    /** @param  array<array-key, mixed>  $fields */
    private static function reading(array $fields): RawReading
    {
        return new RawReading(
            self::real($fields, 'circle'), self::real($fields, 'zenith'), self::real($fields, 'slope'), self::real($fields, 'ppm'),
            self::real($fields, 'prism_constant'),
        );
    }

    private static function refusal(mixed $why): ?Refusal
    {
        return is_string($why) ? Refusal::tryFrom($why) : null;
    }

    /** @param  array<array-key, mixed>  $fields */
    private static function real(array $fields, string $key): float
    {
        $value = $fields[$key] ?? 0.0;

        return is_int($value) || is_float($value) ? (float) $value : 0.0;
    }

    private static function now(): float
    {
        return hrtime(true) / 1e9;
    }
}
