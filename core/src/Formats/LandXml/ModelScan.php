<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

/**
 * Goes through the file once. Whole elements that are asked for are handed over as nodes; points and faces of surfaces, of which there are
 * a million, as numbers. Lines of faces that are written as everybody writes them are read by a pattern; whatever else stands between them
 * goes to the parser, which sees the rest of the file too, and knows the line.
 */
final class ModelScan
{
    /** Elements that are handed over whole. */
    private const WHOLE = ['Units', 'Application', 'Alignment', 'PlanFeature', 'CgPoint', 'SourceData'];

    /** Elements that are only counted. */
    private const COUNTED = ['RawObservation', 'ReducedObservation', 'InstrumentSetup', 'Parcel', 'PipeNetwork', 'Roadway', 'GradeSurface', 'Watershed', 'Monument'];

    private const DEEPEST = 64;

    private const LONGEST_TEXT = 40_000_000;

    private const POINT = '~\G\s*<P\s+id="(\d{1,15})"[^<>/]*>\s*(-?[\d.]{1,30}(?:[eE][-+]?\d{1,3})?)\s+(-?[\d.]{1,30}(?:[eE][-+]?\d{1,3})?)\s+(-?[\d.]{1,30}(?:[eE][-+]?\d{1,3})?)\s*</P>~';

    private const FACE = '~\G\s*<F([^<>/]*)>\s*(\d{1,15})\s+(\d{1,15})\s+(\d{1,15})\s*</F>~';

    private \XMLParser $parser;

    private int $depth = 0;

    /** @var list<Node> elements that are being read, the outermost first; empty outside of those asked for */
    private array $open = [];

    private ?string $bulk = null;

    /** @var array{string, string, int}|null what an own element of the bulk holds, when the parser reads it */
    private ?array $single = null;

    private int $textLength = 0;

    public ?string $root = null;

    /** @var array<string, int> */
    public array $counts = [];

    private function __construct(private readonly ModelSink $sink)
    {
        $this->parser = xml_parser_create();
        xml_parser_set_option($this->parser, XML_OPTION_CASE_FOLDING, 0);
        xml_parser_set_option($this->parser, XML_OPTION_SKIP_WHITE, 0);
        xml_set_element_handler($this->parser, $this->begins(...), $this->ends(...));
        xml_set_character_data_handler($this->parser, $this->says(...));
    }

    /**
     * @param  resource  $stream
     * @param  callable(int): void  $progress  told the bytes read
     *
     * @throws UnreadableModel
     */
    public static function through($stream, ModelSink $sink, callable $progress): self
    {
        $scan = new self($sink);
        $buffer = '';
        foreach (XmlText::pieces($stream) as $piece) {
            $buffer = $scan->consumed($buffer.$piece);
            $progress((int) ftell($stream));
        }
        $scan->feed($buffer);
        $scan->feed('', true);
        if ($scan->root === null) {
            throw UnreadableModel::empty();
        }

        return $scan;
    }

    /** Takes what can be taken and gives back the rest, which waits for more. */
    private function consumed(string $buffer): string
    {
        while ($buffer !== '') {
            if ($this->bulk !== null) {
                $end = strpos($buffer, $this->bulk === 'F' ? '</Faces' : '</Pnts');
                // Up to where the last whole element ends.
                $till = $end !== false ? $end : (int) strrpos($buffer, "</{$this->bulk}>") + 4;
                if ($end === false && $till === 4) {
                    return strlen($buffer) > self::LONGEST_TEXT ? throw UnreadableModel::tooLong($this->line()) : $buffer;
                }
                $this->many(substr($buffer, 0, $till));
                if ($end === false) {
                    return substr($buffer, $till);
                }
                $buffer = substr($buffer, $till);
                $this->bulk = null;
            }
            if (preg_match('~<(?:Pnts|Faces)\b[^<>]*>~', $buffer, $m, PREG_OFFSET_CAPTURE) !== 1) {
                // A tag that is cut waits for its rest.
                $cut = strrpos($buffer, '<');
                $keep = $cut === false || strlen($buffer) - $cut > 4000 ? strlen($buffer) : $cut;
                $this->feed(substr($buffer, 0, $keep));

                return substr($buffer, $keep);
            }
            $till = $m[0][1] + strlen($m[0][0]);
            $this->feed(substr($buffer, 0, $till));
            $buffer = substr($buffer, $till);
        }

        return '';
    }

    /** Points or faces between their tags. */
    private function many(string $body): void
    {
        $line = $this->line();
        $found = preg_match_all($this->bulk === 'F' ? self::FACE : self::POINT, $body, $m);
        if ($found === false || strlen(implode('', $m[0])) !== strlen(rtrim($body)) || ! $this->sink->many((string) $this->bulk, $m, $line)) {
            $this->feed($body);

            return;
        }
        // The parser counts lines and has seen nothing else.
        $this->feed(str_repeat("\n", substr_count($body, "\n")));
    }

    private function feed(string $bytes, bool $last = false): void
    {
        if ($bytes === '' && ! $last) {
            return;
        }
        if (xml_parse($this->parser, $bytes, $last) !== 1) {
            throw UnreadableModel::brokenXml($this->line(), (string) xml_error_string(xml_get_error_code($this->parser)));
        }
    }

    private function line(): int
    {
        return xml_get_current_line_number($this->parser);
    }

    /** @param  array<string, string>  $attributes */
    private function begins(\XMLParser $parser, string $name, array $attributes): void
    {
        $name = substr((string) strrchr(':'.$name, ':'), 1);
        if (++$this->depth > self::DEEPEST) {
            throw UnreadableModel::tooDeep($this->line());
        }
        if ($this->root === null) {
            $this->root = $name;
            if ($name !== 'LandXML') {
                throw UnreadableModel::otherXml($name);
            }
            $this->sink->root($attributes);
        }
        if ($this->open !== []) {
            $this->open[] = new Node($name, $attributes, $this->line());

            return;
        }
        if (in_array($name, self::WHOLE, true)) {
            $this->open = [new Node($name, $attributes, $this->line())];
            $this->textLength = 0;
        } elseif ($name === 'Surface') {
            $this->sink->surfaceBegins(new Node($name, $attributes, $this->line()));
        } elseif ($name === 'Pnts' || $name === 'Faces') {
            $this->bulk = $name === 'Faces' ? 'F' : 'P';
            $this->sink->facesBegin($name);
        } elseif ($name === 'P' || $name === 'F') {
            $this->single = [$name, '', $this->line()];
            $this->sink->attributes = $attributes;
        } elseif (in_array($name, self::COUNTED, true)) {
            $this->counts[$name] = ($this->counts[$name] ?? 0) + 1;
        }
    }

    private function says(\XMLParser $parser, string $text): void
    {
        if ($this->single !== null) {
            $this->single[1] .= $text;
            if (strlen($this->single[1]) > 1000) {
                throw UnreadableModel::tooLong($this->line());
            }
        } elseif ($this->open !== []) {
            $this->textLength += strlen($text);
            if ($this->textLength > self::LONGEST_TEXT) {
                throw UnreadableModel::tooLong($this->line());
            }
            $this->open[count($this->open) - 1]->text .= $text;
        }
    }

    private function ends(\XMLParser $parser, string $name): void
    {
        $this->depth--;
        if ($this->open !== []) {
            $node = array_pop($this->open);
            if ($this->open === []) {
                $this->sink->node($node);
            } else {
                $this->open[count($this->open) - 1]->children[] = $node;
            }

            return;
        }
        $name = substr((string) strrchr(':'.$name, ':'), 1);
        if ($this->single !== null && ($name === 'P' || $name === 'F')) {
            $this->sink->one($name, $this->single[1], $this->single[2]);
            $this->single = null;
        } elseif ($name === 'Surface') {
            $this->sink->surfaceEnds();
        }
    }
}
