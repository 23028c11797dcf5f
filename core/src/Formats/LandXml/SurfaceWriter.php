<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Formats\Xml;

/** A surface as an element of a LandXML 1.2, in metres. */
final class SurfaceWriter
{
    /** @return \Generator<string> */
    public static function pieces(string $name, string $description, Surface $surface): \Generator
    {
        yield '    <Surface name="'.Xml::escape($name).'"'.($description === '' ? '' : ' desc="'.Xml::escape($description).'"')
            .">\n      <Definition surfType=\"TIN\">\n        <Pnts>\n";
        foreach ($surface->northings as $i => $n) {
            yield sprintf("<P id=\"%d\">%.5F %.5F %.5F</P>\n", $i + 1, $n, $surface->eastings[$i], $surface->elevations[$i]);
        }
        yield "        </Pnts>\n        <Faces>\n";
        for ($i = 0, $end = count($surface->corners); $i < $end; $i += 3) {
            yield '<F>'.($surface->corners[$i] + 1).' '.($surface->corners[$i + 1] + 1).' '.($surface->corners[$i + 2] + 1)."</F>\n";
        }
        yield "        </Faces>\n      </Definition>\n    </Surface>\n";
    }
}
