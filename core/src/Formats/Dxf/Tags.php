<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** A DXF file as records, one after another; text, binary and damaged files differ only behind this. */
interface Tags
{
    /**
     * The next record, or null at the end of the file.
     *
     * @throws UnreadableDrawing
     */
    public function next(): ?Record;

    /** What a place counts: line, or byte of a binary file. */
    public function placeWord(): string;

    /** Where reading stands: the line read last in a text file, the byte in a binary one. */
    public function place(): int;

    /** How much has been read, bytes. */
    public function bytesRead(): int;
}
