<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use OpenApi\Analysis;
use OpenApi\Annotations as OA;
use OpenApi\Attributes\Property;
use OpenApi\Generator;

/** Fills every schema from the constructor of its class, so that types are written once. What an answer holds it always holds. */
final class SchemasFromTypes
{
    public function __invoke(Analysis $analysis): void
    {
        /** @var OA\Schema $schema */
        foreach ($analysis->getAnnotationsOfType(OA\Schema::class, true) as $schema) {
            $context = $schema->_context;
            $class = $context?->fullyQualifiedName($context->class ?? null);
            // Schemas inside a path belong to a controller and are complete.
            if (! is_string($class) || preg_match('~\\\\(Bodies|Resources)\\\\~', $class) !== 1 || ! class_exists($class)) {
                continue;
            }
            $isBody = str_contains($class, '\\Bodies\\');
            $properties = $required = [];
            foreach ((new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $p) {
                $type = TypeSchema::of($p);
                $property = new Property(property: $p->getName());
                $property->mergeProperties($type);
                $property->_context = $context;
                $properties[] = $property;
                if (! $isBody || ! $p->isOptional()) {
                    $required[] = $p->getName();
                }
            }
            $schema->type = 'object';
            $schema->properties = $properties;
            $schema->required = $required === [] ? Generator::UNDEFINED : $required;
        }
    }
}
