<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/** One instance of the file: its class in capitals, and its attributes in the order the schema gives them. */
final readonly class Instance
{
    /** @param  list<mixed>  $attributes  as in StepValues */
    public function __construct(public int $number, public string $class, public array $attributes) {}

    /** Null where it is not given, derived, or no number. */
    public function number(int $attribute): ?float
    {
        $v = $this->attributes[$attribute] ?? null;
        if ($v instanceof Typed) {
            $v = $v->values[0] ?? null;
        }

        return is_float($v) || is_int($v) ? (float) $v : null;
    }

    public function text(int $attribute): ?string
    {
        $v = $this->attributes[$attribute] ?? null;

        return is_string($v) ? $v : null;
    }

    public function word(int $attribute): ?string
    {
        $v = $this->attributes[$attribute] ?? null;

        return $v instanceof Word ? $v->word : null;
    }

    /** Number of the instance it speaks of. */
    public function reference(int $attribute): ?int
    {
        $v = $this->attributes[$attribute] ?? null;

        return $v instanceof Reference ? $v->number : null;
    }

    /** @return list<int> numbers of the instances of a list */
    public function references(int $attribute): array
    {
        $numbers = [];
        foreach ($this->list($attribute) as $v) {
            if ($v instanceof Reference) {
                $numbers[] = $v->number;
            }
        }

        return $numbers;
    }

    /** @return list<mixed> */
    public function list(int $attribute): array
    {
        $v = $this->attributes[$attribute] ?? null;

        return is_array($v) ? array_values($v) : [];
    }

    /** @return list<float> numbers of a list, those that are none left out */
    public function numbers(int $attribute): array
    {
        return self::floats($this->list($attribute));
    }

    /**
     * @param  array<array-key, mixed>  $values
     * @return list<float>
     */
    public static function floats(array $values): array
    {
        $numbers = [];
        foreach ($values as $v) {
            if (is_float($v) || is_int($v)) {
                $numbers[] = (float) $v;
            }
        }

        return $numbers;
    }
}
