<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/** The file can't be taken as a STEP file; the message says why, where and what to ask for. */
final class UnreadableStep extends \DomainException
{
    /** @param  string  $sentences  what is wrong, and what to ask for */
    public static function because(string $sentences): self
    {
        return new self($sentences);
    }

    public static function empty(): self
    {
        return new self('The file is empty. Ask for it again; a STEP file begins with “ISO-10303-21;”.');
    }

    public static function otherKind(): self
    {
        return new self('This is no STEP file: it does not begin with “ISO-10303-21;”. Ask for the building model as IFC, IFC2X3 or IFC4.');
    }

    public static function nothingIn(): self
    {
        return new self('The file has a head and nothing after it: no instance stands in its DATA section. It was cut off on its way; ask for it again.');
    }

    /** Of one that something is to be added to. */
    public static function nowhereToAdd(): self
    {
        return new self('Nothing can be added to this file: it has no end, no context of shapes, or no site and building. Take the marks as a file of their own.');
    }

    public static function tooLong(int $line): self
    {
        return new self("Line $line: an instance without end, longer than ".StepFile::LONGEST / 1_048_576 .' MB. The file is damaged or made to do harm.');
    }

    public static function otherSchema(string $schema): self
    {
        return new self(sprintf('The file says its schema is “%s”. Parlay reads IFC2X3, IFC4 and their additions; ask for the model in one of these.', mb_substr(mb_scrub($schema), 0, 40)));
    }
}
