<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Formats\Dxf\Colours;
use Parlay\Core\Formats\Dxf\DxfText;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Texts, code pages, names and colours. */
final class DxfTextTest extends TestCase
{
    use DxfFiles;

    public function test_text_is_plain(): void
    {
        $text = new DxfText;
        self::assertSame('90° ±2 ⌀24 100% Ωß', $text->plain('90%%d %%p2 %%c24 100%%% \U+03A9'."\xDF"));
        self::assertSame("Line 1\nbold {x}", $text->plainMtext('{\fArial|b1;Line 1}\P\Lbold\l \{x\}'));
        self::assertSame('1/2', $text->plainMtext('\S1#2;'));
    }

    /** Python's codecs give the bytes; the version says where UTF-8 begins. */
    public function test_text_is_read_in_the_code_page_that_the_file_names(): void
    {
        $words = [
            ['ANSI_1251', 'cp1251', 'Ось А'], ['dos850', 'cp850', 'Höhe'], ['ANSI_932', 'cp932', '通り芯'],
            ['ANSI_1250', 'cp1250', 'Řez č. 3'], ['iso8859-2', 'iso8859-2', 'žula'],
        ];
        $bytes = Reference::python('print(json.dumps([list(w[2].encode(w[1])) for w in input]))', $words);
        foreach ($words as $i => [$page, , $word]) {
            $raw = implode('', array_map(chr(...), $bytes[$i]));
            self::assertSame($word, DxfText::for($page, 'AC1015')->plain($raw), $page);
            self::assertSame($word, DxfText::for($page, 'AC1032')->plain($word), 'UTF-8 whatever the page');
        }
        self::assertSame('Höhe', DxfText::for('', '')->plain('Höhe'), 'no page named, and good UTF-8');
        self::assertSame('Höhe', DxfText::for('ANSI_0', 'AC1009')->plain("H\xF6he"));
        self::assertSame('通り 𝄞 é', DxfText::for('ANSI_1252', 'AC1015')->plain('\M+192CA\M+182E8 \U+D834\U+DD1E %%233'));
    }

    /** ezdxf writes no R13 and R14; what is in them here differs from R2000 by the version's name alone. */
    public function test_the_versions_between_are_read_as_well(): void
    {
        $r2000 = (string) file_get_contents(__DIR__.'/../../../database/demo/files/saltmarsh-yard.dxf');
        $count = static fn (string $dxf): int => array_sum(array_map(static fn ($l) => $l->count, self::open($dxf)->layers));
        foreach (['AC1012', 'AC1014'] as $version) {
            $dxf = str_replace('AC1015', $version, $r2000);
            self::assertSame([$version, $count($r2000)], [self::open($dxf)->version, $count($dxf)]);
        }
    }

    public function test_colours_follow_the_published_index(): void
    {
        $ezdxf = Reference::python("from ezdxf.colors import aci2rgb\nprint(json.dumps([list(aci2rgb(i)) for i in range(1, 256)]))", null);
        foreach ($ezdxf as $i => $rgb) {
            // The greys are drawn differently by everybody, and some of ezdxf's dark shades fall out of their own row.
            if ($i + 1 >= 250 || ($i + 1) % 10 >= 6) {
                continue;
            }
            // White on a dark screen is black on paper.
            $ours = $i + 1 === 7 ? [255, 255, 255] : sscanf(Colours::hex(Colours::rgb($i + 1)), '#%2x%2x%2x');
            self::assertEqualsWithDelta($rgb, $ours, 4, 'colour '.($i + 1));
        }
        self::assertSame([0x00FF00, 0x00FF00], [Colours::rgb(3), Colours::rgb(-3)]);
    }

    public function test_names_of_layers_and_blocks_fold_their_case(): void
    {
        $layer = static fn (string $name, int $flags) => "0\nLAYER\n2\n$name\n70\n$flags\n62\n3\n";
        $tables = "0\nSECTION\n2\nTABLES\n0\nTABLE\n2\nLAYER\n".$layer('Wände', 1).$layer('ICE', 1)."0\nENDTAB\n0\nENDSEC\n";
        $block = "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nMark\n10\n0\n20\n0\n0\nCIRCLE\n8\nOTHER\n10\n0\n20\n0\n40\n1\n0\nENDBLK\n0\nENDSEC\n";
        $entities = "0\nPOINT\n8\nWÄNDE\n10\n1\n20\n2\n0\nPOINT\n8\nwände\n10\n1\n20\n3\n"
            ."0\nINSERT\n8\nTags\n2\nMARK\n66\n1\n10\n5\n20\n5\n0\nATTRIB\n8\n0\n10\n5\n20\n5\n40\n1\n1\nP7\n2\nNAME\n0\nSEQEND\n0\nINSERT\n8\nice\n2\nmark\n10\n9\n20\n9\n";
        $drawing = self::open($tables.$block."0\nSECTION\n2\nENTITIES\n{$entities}0\nENDSEC\n0\nEOF\n");
        $layers = array_column($drawing->layers, null, 'name');
        self::assertEqualsCanonicalizing(['Wände', 'Tags', 'OTHER', 'ICE'], array_keys($layers));
        self::assertSame(
            [2, true, 0x00FF00], [$layers['Wände']->count, $layers['Wände']->frozen, $layers['Wände']->rgb],
            'colour and “frozen” are those of the table',
        );
        self::assertContains('P7', $layers['Tags']->strings, 'an attribute on layer 0 lies on its insertion’s layer');
        self::assertSame(['circle' => 1], array_intersect_key($layers['OTHER']->kinds(), ['circle' => 0]));
        self::assertSame(1, $layers['ICE']->kinds()['circle'], 'what is inserted on a frozen layer is not shown on another');
    }

    public function test_a_stacked_text_is_read_as_a_fraction(): void
    {
        $mtext = static fn (string $text) => self::open(self::dxf("0\nMTEXT\n8\nA\n10\n0\n20\n0\n40\n1\n1\n$text\n"))->layers[0]->strings;
        self::assertSame([['3/4'], ['1 1/2'], ['+2/-1']], [$mtext('\\S3^ 4;'), $mtext('1 \\S1#2;'), $mtext('\\S+2^-1;')]);
    }
}
