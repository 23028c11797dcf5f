<?php

declare(strict_types=1);

namespace App\Database;

use App\Clock;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** When a line of the book was written: by the clock on the wall, and by the steady one where that is known. */
final readonly class BookTime
{
    private function __construct(
        private string $at,
        private ?float $steady,
        private string $boot,
    ) {}

    /** @param  int  $seq  place in the book */
    public static function of(int $seq): self
    {
        $row = DB::table('book_sequence')->where('seq', $seq)->first() ?? throw new \LogicException('Each line of the book has its place.');

        return new self($row->at, $row->steady === null ? null : (float) $row->steady, $row->boot);
    }

    /** Seconds since; by the wall where the machine was started anew since, and then never less than none. */
    public function age(): float
    {
        return $this->isOfThisStart()
            ? Clock::steady() - (float) $this->steady
            : max(0.0, (float) Carbon::parse($this->at)->diffInMicroseconds(Carbon::now('UTC')) / 1e6);
    }

    /** @param  float  $moment  of this start of the machine, steady seconds */
    public function isBefore(float $moment): bool
    {
        return ! $this->isOfThisStart() || (float) $this->steady < $moment;
    }

    private function isOfThisStart(): bool
    {
        return $this->steady !== null && $this->boot === Clock::boot();
    }
}
