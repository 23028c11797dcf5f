<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

/** An element of the file with what stands in it. */
final class Node
{
    public string $text = '';

    /** @var list<Node> */
    public array $children = [];

    /**
     * @param  array<string, string>  $attributes
     * @param  int  $line  from 1
     */
    public function __construct(public readonly string $name, public readonly array $attributes, public readonly int $line) {}

    public function get(string $attribute): ?string
    {
        return $this->attributes[$attribute] ?? null;
    }

    public function text(): string
    {
        return trim($this->text);
    }

    public function child(string $name): ?self
    {
        foreach ($this->children as $child) {
            if ($child->name === $name) {
                return $child;
            }
        }

        return null;
    }

    /** @return list<self> */
    public function all(string $name): array
    {
        return array_values(array_filter($this->children, static fn (self $c) => $c->name === $name));
    }

    /** The attribute as a number that can be one; null where it is missing, no number, endless or beyond all measure. */
    public function number(string $attribute): ?float
    {
        $text = trim($this->attributes[$attribute] ?? '');

        return is_numeric($text) && abs((float) $text) < 1e9 ? (float) $text : null;
    }

    /**
     * The numbers of its text.
     *
     * @return list<float>|null null where one is none
     */
    public function numbers(): ?array
    {
        $numbers = [];
        foreach (preg_split('~\s+~', $this->text(), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            if (! is_numeric($part) || abs((float) $part) >= 1e10) {
                return null;
            }
            $numbers[] = (float) $part;
        }

        return $numbers;
    }
}
