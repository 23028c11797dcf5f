<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** Text of a drawing as plain UTF-8: code page, the escapes of the published reference, MTEXT formatting stripped. */
final class DxfText
{
    /** From this version on the text of a drawing is UTF-8. */
    private const FIRST_UTF8 = 'AC1021';

    private const MULTIBYTE = ['1' => 'CP932', '2' => 'CP950', '3' => 'CP949', '4' => 'JOHAB', '5' => 'CP936'];

    private const NAMED = [
        'ascii' => 'CP1252', 'macroman' => 'MACINTOSH', 'mac-roman' => 'MACINTOSH', 'ksc5601' => 'CP949', 'johab' => 'JOHAB',
        'big5' => 'CP950', 'gb2312' => 'CP936',
    ];

    /** @param  string|null  $codePage  null where the file names none: UTF-8 where the bytes are, else Windows-1252 */
    public function __construct(private readonly ?string $codePage = null) {}

    /**
     * @param  string  $name  as in $DWGCODEPAGE, such as ANSI_1252 or dos850
     * @param  string  $version  as in $ACADVER
     */
    public static function for(string $name, string $version): self
    {
        if (preg_match('~^AC\d{4}$~', $version) === 1 && $version >= self::FIRST_UTF8) {
            return new self;
        }
        $page = match (true) {
            isset(self::NAMED[strtolower($name)]) => self::NAMED[strtolower($name)],
            preg_match('~^(?:ansi_?|dos_?|cp)(\d{3,5})$~i', $name, $m) === 1 => 'CP'.$m[1],
            preg_match('~^iso_?-?8859-(\d{1,2})$~i', $name, $m) === 1 => 'ISO-8859-'.$m[1],
            default => null,
        };

        return $page !== null && @iconv($page, 'UTF-8', 'a') !== false ? new self($page) : new self;
    }

    /** A text without its control codes, in the file's characters. */
    public function plain(string $raw): string
    {
        $text = $this->decode($raw);
        if (! str_contains($text, '%%') && ! str_contains($text, '\\')) {
            return $text;
        }
        $text = preg_replace_callback('~%%(\d{3}|[dcpuok%])~i', fn (array $m): string => match (strtolower($m[1])) {
            'd' => '°', 'c' => '⌀', 'p' => '±', '%' => '%', 'u', 'o', 'k' => '', default => $this->decode(chr((int) $m[1] & 0xFF)),
        }, $text) ?? $text;

        return self::unicode($text);
    }

    /** A formatted text as plain lines. */
    public function plainMtext(string $raw): string
    {
        // Escaped marks are put out of the way of the rules that look for bare ones.
        $text = strtr($this->decode($raw), ['\\\\' => "\x01", '\\{' => "\x02", '\\}' => "\x03"]);
        $text = self::unicode($text);
        $text = preg_replace([
            '~\\\\[ACcfFHQTWp][^;\\\\]*;~', '~\\\\[LlOoKk]~', '~\\\\S([^;^#/]*?)\^ ?;~', '~\\\\S\^ ?([^;]*);~',
            '~\\\\S([^;]*?)[#^/] ?([^;]*);~', '~\\\\S([^;]*);~',
        ], ['', '', '$1', '$1', '$1/$2', '$1'], $text) ?? $text;
        $text = str_replace(
            ['\\P', '\\N', '\\X', '\\~', '^I', '^J', '^M', '{', '}'], ["\n", "\n", "\n", "\u{A0}", ' ', "\n", '', '', ''], $text,
        );

        return $this->percent(strtr($text, ["\x01" => '\\', "\x02" => '{', "\x03" => '}', "\u{A0}" => ' ']));
    }

    /** One key for a name, whatever its case: the format tells no names apart by it. */
    public static function folded(string $name): string
    {
        return mb_convert_case($name, MB_CASE_FOLD_SIMPLE, 'UTF-8');
    }

    private function percent(string $text): string
    {
        return preg_replace_callback('~%%(\d{3}|[dcp%])~i', fn (array $m): string => match (strtolower($m[1])) {
            'd' => '°', 'c' => '⌀', 'p' => '±', '%' => '%', default => $this->decode(chr((int) $m[1] & 0xFF)),
        }, $text) ?? $text;
    }

    private function decode(string $raw): string
    {
        if ($this->codePage === null || preg_match('~[\x80-\xFF]~', $raw) !== 1) {
            return mb_check_encoding($raw, 'UTF-8') ? $raw : mb_convert_encoding($raw, 'UTF-8', 'Windows-1252');
        }

        return (string) (@iconv($this->codePage, 'UTF-8//IGNORE', $raw) ?: mb_convert_encoding($raw, 'UTF-8', 'Windows-1252'));
    }

    /** \U+03A9, also as two surrogates; \M+1 and four digits is a character of a multibyte code page. */
    private static function unicode(string $text): string
    {
        $text = preg_replace_callback(
            '~\\\\U\+([dD][89abAB][0-9A-Fa-f]{2})\\\\U\+([dD][c-fC-F][0-9A-Fa-f]{2})~',
            static fn (array $m): string => (string) mb_chr(0x10000 + ((hexdec($m[1]) & 0x3FF) << 10 | hexdec($m[2]) & 0x3FF)), $text,
        ) ?? $text;
        $text = preg_replace_callback(
            '~\\\\U\+([0-9A-Fa-f]{4})~', static fn (array $m): string => (string) mb_chr((int) hexdec($m[1])), $text,
        ) ?? $text;

        return preg_replace_callback(
            '~\\\\M\+([1-5])([0-9A-Fa-f]{4})~',
            static fn (array $m): string => (string) @iconv(self::MULTIBYTE[$m[1]], 'UTF-8//IGNORE', (string) hex2bin($m[2])), $text,
        ) ?? $text;
    }
}
