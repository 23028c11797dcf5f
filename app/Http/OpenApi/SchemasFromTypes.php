<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use App\Http\Problem;
use App\Tasks\TaskKind;
use App\Tasks\Works;
use OpenApi\Analysis;
use OpenApi\Annotations as OA;
use OpenApi\Attributes\Components;
use OpenApi\Attributes\Property;
use OpenApi\Attributes\Schema;
use OpenApi\Context;
use OpenApi\Generator;

/**
 * A schema for every type that an address takes or gives, and for all that these hold: types are written once, in PHP, wherever they live.
 *
 * What is taken may leave out what has a default. What an answer holds it always holds.
 */
final class SchemasFromTypes
{
    /** @var array<string, class-string> name to type */
    private array $found = [];

    /** @var array<string, Schema> */
    private array $schemas = [];

    public function __invoke(Analysis $analysis): void
    {
        $taken = $given = [];
        foreach (Routes::operations() as $operation) {
            $taken[] = $operation->body;
            $given[] = $operation->returns;
        }
        $context = new Context(['generated' => true], $analysis->context);
        foreach (array_filter($taken) as $type) {
            $this->add($type, true, $context);
        }
        $results = array_map(app(Works::class)->gives(...), TaskKind::cases());
        foreach ([...array_filter($given), ...array_filter($results), Problem::class] as $type) {
            $this->add($type, false, $context);
        }
        ksort($this->schemas);
        /** @var OA\OpenApi $api */
        $api = $analysis->openapi;
        $api->components = new Components(schemas: array_values($this->schemas));
    }

    /** @param  class-string  $type */
    private function add(string $type, bool $isTaken, Context $context): void
    {
        $name = class_basename($type);
        if (isset($this->found[$name])) {
            if ($this->found[$name] !== $type) {
                throw new \LogicException("$type and {$this->found[$name]} would have one name on the wire.");
            }

            return;
        }
        $this->found[$name] = $type;
        $properties = $required = [];
        foreach ($isTaken ? TypeSchema::taken($type) : TypeSchema::given($type) as $part) {
            $property = new Property(property: $part->getName());
            $property->mergeProperties(TypeSchema::of($part));
            $property->_context = $context;
            $properties[] = $property;
            if (! $isTaken || ($part instanceof \ReflectionParameter && ! $part->isOptional())) {
                $required[] = $part->getName();
            }
            $held = TypeSchema::heldBy($part);
            if ($held !== null) {
                $this->add($held, $isTaken, $context);
            }
        }
        $schema = new Schema(schema: $name, type: 'object', properties: $properties, required: $required === [] ? null : $required);
        $schema->required = $required === [] ? Generator::UNDEFINED : $required;
        $schema->_context = $context;
        $this->schemas[$name] = $schema;
    }
}
