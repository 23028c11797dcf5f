<?php

declare(strict_types=1);

namespace App\Instrument;

/** Who speaks to the instrument: a tablet, by a key that it made for itself, and what people call it. Scripts say none, and lead nothing. */
final readonly class Device
{
    private const LONGEST_NAME = 60;

    public function __construct(public string $id, public string $name) {}

    /** Of what a stranger says; what is no key says none. */
    public static function said(string $id, string $name): self
    {
        $name = mb_scrub($name);
        $name = mb_substr(trim((string) preg_replace('~\s+|[[:cntrl:]]+~u', ' ', $name)), 0, self::LONGEST_NAME);

        return preg_match('~^[0-9A-Za-z-]{1,64}$~', $id) === 1 ? new self($id, $name === '' ? 'Another tablet' : $name) : self::none();
    }

    public static function none(): self
    {
        return new self('', '');
    }

    public function isNone(): bool
    {
        return $this->id === '';
    }
}
