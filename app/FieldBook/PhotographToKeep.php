<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\KeyTaken;

/** A picture that was brought in, to be kept with a reading. */
final readonly class PhotographToKeep
{
    /**
     * @param  string  $upload  of its file, PNG or JPEG
     * @param  string  $caption  a line
     *
     * @throws \DomainException
     */
    public function __construct(public string $key, public int $observationId, public string $upload, public string $caption = '')
    {
        KeyTaken::checked($key);
        if (mb_strlen($caption) > 200 || preg_match('~[\x00-\x1F\x7F]~', $caption) === 1) {
            throw new \DomainException('What is written below a picture is one line of at most 200 characters.');
        }
    }
}
