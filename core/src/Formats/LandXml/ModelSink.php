<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

/** What is told of a file while it is gone through. */
abstract class ModelSink
{
    /** @var array<string, string> of the point or face that is told next */
    public array $attributes = [];

    /** @param  array<string, string>  $attributes  of the outermost element */
    abstract public function root(array $attributes): void;

    abstract public function node(Node $node): void;

    abstract public function surfaceBegins(Node $node): void;

    abstract public function surfaceEnds(): void;

    /** @param  string  $which  Pnts or Faces */
    abstract public function facesBegin(string $which): void;

    /** A point or face that the parser has read. */
    abstract public function one(string $which, string $text, int $line): void;

    /**
     * Points (id, then three coordinates) or faces (attributes, then three ids), as texts in columns.
     *
     * @param  array{list<string>, list<string>, list<string>, list<string>, list<string>}  $columns
     * @return bool whether all of them could be taken; else they are told one by one
     */
    abstract public function many(string $which, array $columns, int $line): bool;
}
