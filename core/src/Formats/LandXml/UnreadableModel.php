<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

/** The file can't be taken as a civil model; the message says why, where and what to ask for. */
final class UnreadableModel extends \DomainException
{
    public static function empty(): self
    {
        return new self('The file is empty. Ask for it again.');
    }

    /** @param  string  $root  name of the outermost element */
    public static function otherXml(string $root): self
    {
        return new self(sprintf('This is XML, but no LandXML: it begins with <%s>. Ask for an export as LandXML 1.0, 1.1 or 1.2.', mb_substr(mb_scrub($root), 0, 40)));
    }

    public static function brokenXml(int $line, string $why): self
    {
        return new self("Line $line: the file is no whole XML ($why). It was cut off or changed on its way; ask for it again.");
    }

    public static function definesNames(int $line): self
    {
        return new self("Line $line: "
            .'the file begins with definitions of its own (<!DOCTYPE …>), which LandXML has no use for and which can be made to fill '
            .'the memory or to fetch other files. Nothing was read. Take out all between <!DOCTYPE and its >, or ask for the file without it.');
    }

    public static function unknownEncoding(string $encoding): self
    {
        return new self(sprintf('The file says it is written in “%s”, which Parlay does not read. Ask for it in UTF-8.', mb_substr(mb_scrub($encoding), 0, 40)));
    }

    public static function tooDeep(int $line): self
    {
        return new self("Line $line: elements stand within one another deeper than in any LandXML. The file is damaged or made to do harm.");
    }

    public static function tooLong(int $line): self
    {
        return new self("Line $line: a text without end. The file is damaged or made to do harm.");
    }

    public static function noUnit(): self
    {
        return new self('The file does not say its unit. Choose it: metres and feet differ by three.');
    }
}
