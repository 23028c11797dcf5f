<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

/** One address, as the attribute beside its method says it. */
final readonly class Operation
{
    /**
     * @param  class-string  $controller
     * @param  class-string|null  $body
     * @param  class-string|null  $returns
     */
    public function __construct(
        public string $verb,
        public string $path,
        public string $controller,
        public string $method,
        public ?string $body,
        public ?string $returns,
    ) {}

    /** What else an attribute describes is worked out only for the description. */
    public static function of(\ReflectionMethod $method): ?self
    {
        foreach ($method->getAttributes() as $attribute) {
            $verb = [
                Get::class => 'get', Post::class => 'post', Put::class => 'put', Patch::class => 'patch', Delete::class => 'delete',
            ][$attribute->getName()] ?? null;
            if ($verb !== null) {
                $said = self::named($attribute);

                return new self($verb, $said['path'], $method->class, $method->getName(), $said['body'] ?? null, $said['returns'] ?? null);
            }
        }

        return null;
    }

    /**
     * @param  \ReflectionAttribute<object>  $attribute
     * @return array<string, mixed>
     */
    private static function named(\ReflectionAttribute $attribute): array
    {
        $names = array_map(
            static fn (\ReflectionParameter $p) => $p->getName(),
            (new \ReflectionMethod($attribute->getName(), '__construct'))->getParameters(),
        );
        $said = [];
        foreach ($attribute->getArguments() as $key => $value) {
            $said[is_int($key) ? $names[$key] : $key] = $value;
        }

        return $said;
    }
}
