<?php

declare(strict_types=1);

namespace App\Reports;

final readonly class LetterheadWanted
{
    /** Lines of an address. */
    private const MOST_LINES = 6;

    /**
     * @param  string  $firm  who hands over
     * @param  string  $address  below it, in up to six lines
     * @param  string|null  $logo  key of an upload, PNG or JPEG; empty takes it away, null leaves it
     *
     * @param  LetterheadWanted|null  $seen  as it was when the change was begun, without its logo; null where the sender doesn't say
     *
     * @throws \DomainException where something is too long for the head of a sheet
     */
    public function __construct(public string $firm = '', public string $address = '', public Paper $paper = Paper::A4, public ?string $logo = null, public ?LetterheadWanted $seen = null)
    {
        if (mb_strlen($firm) > 100 || preg_match('~[\x00-\x1F\x7F]~', $firm) === 1) {
            throw new \DomainException('The name of the firm is one line of at most 100 characters.');
        }
        $lines = explode("\n", str_replace("\r", '', $address));
        if (count($lines) > self::MOST_LINES || max(array_map(mb_strlen(...), $lines)) > 100 || preg_match('~[\x00-\x09\x0B-\x1F\x7F]~', implode("\n", $lines)) === 1) {
            throw new \DomainException('The address is up to six lines of at most 100 characters.');
        }
    }
}
