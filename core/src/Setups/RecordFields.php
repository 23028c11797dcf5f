<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/**
 * Fields of something that was kept as JSON, each asked for as what it should be. Every method throws UnreadableRecord where it is
 * something else.
 */
final readonly class RecordFields
{
    /** @param  array<mixed>  $fields */
    public function __construct(
        private array $fields,
    ) {}

    /** Whether it is there and not null. */
    public function has(string $key): bool
    {
        return isset($this->fields[$key]);
    }

    /** Null where it is missing or null. */
    public function number(string $key): ?float
    {
        return $this->has($key) ? $this->figure($key) : null;
    }

    /** A number that must be there. */
    public function figure(string $key): float
    {
        return self::real($this->fields[$key] ?? null, $key);
    }

    /** A whole number that must be there. */
    public function whole(string $key): int
    {
        return is_int($this->fields[$key] ?? null) ? $this->fields[$key] : throw UnreadableRecord::at($key);
    }

    /** True or false, which must be there. */
    public function flag(string $key): bool
    {
        return $this->flagOrNull($key) ?? throw UnreadableRecord::at($key);
    }

    /** Null where it is missing or null. */
    public function flagOrNull(string $key): ?bool
    {
        return ! $this->has($key) || is_bool($this->fields[$key]) ? $this->fields[$key] ?? null : throw UnreadableRecord::at($key);
    }

    /** A text that must be there. */
    public function text(string $key): string
    {
        return is_string($this->fields[$key] ?? null) ? $this->fields[$key] : throw UnreadableRecord::at($key);
    }

    /** @return list<float> */
    public function numbers(string $key): array
    {
        return array_map(static fn (mixed $x): float => self::real($x, $key), $this->all($key));
    }

    /** @return list<string> none where it is missing */
    public function texts(string $key): array
    {
        return array_map(static fn (mixed $x): string => is_string($x) ? $x : throw UnreadableRecord::at($key), $this->all($key));
    }

    /** Fields within; null where they are missing. */
    public function record(string $key): ?self
    {
        return $this->has($key) ? new self(self::fields($this->fields[$key], $key)) : null;
    }

    /** @return list<self> none where it is missing */
    public function records(string $key): array
    {
        return array_map(static fn (mixed $x): self => new self(self::fields($x, $key)), $this->all($key));
    }

    /** @return list<mixed> */
    private function all(string $key): array
    {
        $list = $this->fields[$key] ?? [];

        return is_array($list) && array_is_list($list) ? $list : throw UnreadableRecord::at($key);
    }

    /** @return array<mixed> */
    private static function fields(mixed $x, string $key): array
    {
        return is_array($x) ? $x : throw UnreadableRecord::at($key);
    }

    private static function real(mixed $x, string $key): float
    {
        return (is_int($x) || is_float($x)) && is_finite((float) $x) ? (float) $x : throw UnreadableRecord::at($key);
    }
}
