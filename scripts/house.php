<?php

declare(strict_types=1);

// Draws docs/house.svg from the table of floors, which also is the rule (tests/Architecture/Floors.php). php scripts/house.php [file]

use Tests\Architecture\Floors;

require __DIR__.'/../vendor/autoload.php';

const WIDTH = 1180;
const LEFT = 190;
const BOX = 30;

/** Rows of a room, the highest first: label to the words in it. */
$screen = array_values(array_diff(array_map(basename(...), glob(__DIR__.'/../resources/js/*', GLOB_ONLYDIR) ?: []), ['tests']));
$floors = static fn (array $of): array => array_reverse(array_map(
    static fn (array $subjects): array => array_map(static fn (string $s): string => match ($s) {
        'App' => 'clock, keys', 'Core' => 'what all share', default => $s
    }, $subjects),
    $of,
), true);
$rooms = [
    ['resources/js', 'the screen: knows addresses and nothing else', '#eef3f8', ['by subject' => $screen]],
    ['app', 'what is stored, and when', '#f3f7ee', ['addresses' => ['Http: the frame, and a folder in each subject'], ...$floors(Floors::APP)]],
    ['words', 'sentences and units for what core finds', '#fbf6ea', ['' => ['Cautions', 'Explanations', 'Weak figures', 'Figures without a solution']]],
    ['simulator', 'the stand-in instrument, behind a socket', '#f6f1f8', ['' => ['StandIn', 'World', 'Message']]],
    ['core', 'the rules of the job, in metres and radians', '#f8efec', $floors(Floors::CORE)],
];

$y = 50;
$out = '';
foreach ($rooms as [$name, $what, $colour, $rows]) {
    $inner = '';
    $at = $y + 30;
    foreach ($rows as $label => $words) {
        $x = LEFT;
        $inner .= text(22, $at + 20, $label, 13);
        foreach ($words as $word) {
            $wide = (int) (22 + 7.6 * mb_strlen($word));
            if ($x + $wide > WIDTH - 20) {
                $x = LEFT;
                $at += BOX + 6;
            }
            $inner .= sprintf('<rect x="%d" y="%d" width="%d" height="%d" fill="#fff" stroke="#333"/>', $x, $at, $wide, BOX)."\n".text($x + $wide / 2, $at + 20, $word, 13, 'middle');
            $x += $wide + 8;
        }
        $at += BOX + 12;
    }
    $out .= sprintf('<rect x="10" y="%d" width="%d" height="%d" fill="%s" stroke="#333"/>', $y, WIDTH - 20, $at - $y, $colour)."\n"
        .text(22, $y + 20, "$name — $what", 14, 'start', true).$inner;
    $y = $at + 10;
}
$svg = sprintf('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %1$d %2$d" font-family="sans-serif"><rect width="%1$d" height="%2$d" fill="#fff"/>', WIDTH, $y)."\n"
    .text(20, 30, 'Who stands on whom. In a row each knows those to its left; every row knows those under it; nothing knows what is above.', 15, 'start', true)
    .$out."</svg>\n";
file_put_contents($argv[1] ?? __DIR__.'/../docs/house.svg', $svg);

function text(float $x, float $y, string $words, int $size, string $anchor = 'start', bool $bold = false): string
{
    return sprintf(
        '<text x="%.1f" y="%.1f" text-anchor="%s" font-size="%d" fill="#222"%s>%s</text>', $x, $y, $anchor, $size, $bold ? ' font-weight="bold"' : '', htmlspecialchars($words),
    )."\n";
}
