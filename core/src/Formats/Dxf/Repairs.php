<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** What was mended or given up while reading a damaged file, each with its line. A very broken file does not fill the memory with them. */
final class Repairs
{
    private const MOST = 200;

    /** @var list<string> a sentence each */
    public array $list = [];

    public int $count = 0;

    /**
     * @param  string  $at  line of the file
     * @param  string  $what  in words
     */
    public function note(string $at, string $what): void
    {
        if (++$this->count <= self::MOST) {
            $this->list[] = ucfirst("$at: $what");
        }
    }

    /** @return list<string> */
    public function sentences(): array
    {
        return $this->count > self::MOST ? [...$this->list, sprintf('And %d more.', $this->count - self::MOST)] : $this->list;
    }
}
