<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** Text of a drawing as plain UTF-8: code page, the escapes of the published reference, MTEXT formatting stripped. */
final class DxfText
{
    public function __construct(private readonly string $codePage = 'CP1252') {}

    /** @param  string  $name as in $DWGCODEPAGE, such as ANSI_1252 */
    public static function forCodePage(string $name): self
    {
        return preg_match('~^ansi_(\d{3,4})$~i', $name, $m) === 1 && @iconv('CP'.$m[1], 'UTF-8', 'a') !== false
            ? new self('CP'.$m[1]) : new self;
    }

    public function plain(string $raw): string
    {
        $text = mb_check_encoding($raw, 'UTF-8') ? $raw : (string) @iconv($this->codePage, 'UTF-8//IGNORE', $raw);
        $text = preg_replace_callback('~\\\\U\+([0-9A-Fa-f]{4})~', static fn (array $m) => (string) mb_chr((int) hexdec($m[1])), $text) ?? $text;
        $text = preg_replace_callback('~%%(\d{3}|[dcp%])~i', static fn (array $m) => match (strtolower($m[1])) {
            'd' => '°', 'c' => '⌀', 'p' => '±', '%' => '%', default => mb_chr((int) $m[1]) ?: '',
        }, $text) ?? $text;

        return preg_replace('~%%[uok]~i', '', $text) ?? $text;
    }

    public function plainMtext(string $raw): string
    {
        $text = preg_replace(['~\\\\[ACcfFHQTWp][^;]*;~', '~\\\\[LlOoKk]~', '~\\\\S([^;]*?)[#^]([^;]*);~', '~\\\\S([^;]*);~'], ['', '', '$1/$2', '$1'], $raw) ?? $raw;
        $text = str_replace(['\\P', '\\~'], ["\n", ' '], $text);
        $text = preg_replace('~(?<!\\\\)[{}]~', '', $text) ?? $text;

        return $this->plain(preg_replace('~\\\\([\\\\{}])~', '$1', $text) ?? $text);
    }
}
