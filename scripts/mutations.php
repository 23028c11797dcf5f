<?php

declare(strict_types=1);

/**
 * Changes core in one place at a time and asks its own tests whether they notice: mutations.php [each] [folder ...].
 *
 * A seeded sample, so many of each folder of core/src (1 where nothing is said); the same every time while the code is the same. What
 * survives is listed: either a test is missing, or the change changes nothing. Exits with 1 where fewer than FLOOR of 100 are noticed:
 * of fourteen with a true share of 70 that comes twice in a thousand samples.
 */
const FLOOR = 35;
const PATIENCE = 120;
const EXCHANGED = [
    '<' => '<=', '>' => '>=', '<=' => '<', '>=' => '>', '+' => '-', '-' => '+',
    '*' => '/', '/' => '*', '&&' => '||', '||' => '&&', '===' => '!==', '!==' => '===',
    'sin' => 'cos', 'cos' => 'sin', 'min' => 'max', 'max' => 'min', 'true' => 'false', 'false' => 'true', 'abs' => '', 'hypot' => 'max',
];

$root = dirname(__DIR__);
$each = ctype_digit($argv[1] ?? '') ? (int) $argv[1] : 1;
$wanted = array_values(array_filter(array_slice($argv, 1), static fn (string $a) => ! ctype_digit($a)));
$folders = array_values(array_filter(
    array_map(basename(...), glob("$root/core/src/*", GLOB_ONLYDIR) ?: []),
    static fn (string $f) => is_dir("$root/core/tests/$f") && ($wanted === [] || in_array($f, $wanted, true)),
));

/** @return list<array{string, int, string, string, int}> file, offset, what stands there, what it becomes, line */
function places(string $folder): array
{
    $places = [];
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
    foreach ($files as $file) {
        $offset = 0;
        $inside = false;
        $line = 1;
        foreach (token_get_all((string) file_get_contents((string) $file)) as $token) {
            $text = is_array($token) ? $token[1] : $token;
            $line = is_array($token) ? $token[2] : $line;
            // Only what a function does: declarations are the business of the static analysis.
            $inside = $inside || (is_array($token) && $token[0] === T_FUNCTION);
            $number = is_array($token) && in_array($token[0], [T_LNUMBER, T_DNUMBER], true);
            $word = is_array($token) && in_array(
                $token[0],
                [T_STRING, T_BOOLEAN_AND, T_BOOLEAN_OR, T_IS_IDENTICAL, T_IS_NOT_IDENTICAL, T_IS_SMALLER_OR_EQUAL, T_IS_GREATER_OR_EQUAL],
                true,
            );
            if ($inside && $number) {
                $places[] = [(string) $file, $offset, $text, "($text + 1)", $line];
            } elseif ($inside && (! is_array($token) || $word) && isset(EXCHANGED[$text])) {
                $places[] = [(string) $file, $offset, $text, EXCHANGED[$text], $line];
            }
            $offset += strlen($text);
        }
    }

    return $places;
}

/**
 * Test files that speak of a class, or of one that speaks of it: those whose business it is to notice.
 *
 * @return list<string>
 */
function testsOf(string $root, string $file, string $folder): array
{
    static $sources = null, $tests = null;
    $read = static function (string $dir): array {
        $all = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($dir, FilesystemIterator::SKIP_DOTS)) as $f) {
            $all[(string) $f] = (string) file_get_contents((string) $f);
        }

        return $all;
    };
    $sources ??= $read("$root/core/src");
    $tests ??= array_filter($read("$root/core/tests"), static fn (string $path) => str_ends_with($path, 'Test.php'), ARRAY_FILTER_USE_KEY);
    $names = [basename($file, '.php')];
    foreach ($sources as $path => $code) {
        if ($path !== $file && preg_match('~\\b'.$names[0].'\\b~', $code) === 1) {
            $names[] = basename($path, '.php');
        }
    }
    $speaks = array_keys(array_filter($tests, static fn (string $code) => preg_match('~\\b(?:'.implode('|', $names).')\\b~', $code) === 1));
    $own = array_keys(
        array_filter($tests, static fn (string $path) => str_starts_with($path, "$root/core/tests/$folder/"), ARRAY_FILTER_USE_KEY),
    );

    return array_values(array_unique([...$own, ...$speaks]));
}

/** @param  array{string, int, string, string, int}  $at */
function begin(string $root, array $at, string $folder): array
{
    $scratch = sys_get_temp_dir().'/parlay-mutation-'.bin2hex(random_bytes(5));
    mkdir($scratch);
    $code = (string) file_get_contents($at[0]);
    $name = substr($at[0], strlen("$root/core/src/"));
    file_put_contents("$scratch/changed.php", substr_replace($code, $at[3], $at[1], strlen($at[2])));
    $class = 'Parlay\\Core\\'.str_replace(['/', '.php'], ['\\', ''], $name);
    file_put_contents("$scratch/bootstrap.php", sprintf(
        '<?php $loader = require %s; spl_autoload_register(static function (string $c): void { if ($c === %s) { require %s; } }, '
            .'true, true);',
        var_export("$root/vendor/autoload.php", true), var_export($class, true), var_export("$scratch/changed.php", true),
    ));
    $command = [
        'timeout', (string) PATIENCE, PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=function', '-d',
        'opcache.jit_buffer_size=64M', '-d', 'memory_limit=1G', "$root/vendor/bin/phpunit", '--no-configuration', '--bootstrap',
        "$scratch/bootstrap.php", '--stop-on-defect', '--no-progress', '--do-not-cache-result', ...testsOf($root, $at[0], $folder),
    ];

    return [
        proc_open($command, [['file', '/dev/null', 'r'], ['file', "$scratch/log", 'w'], ['file', "$scratch/log", 'a']], $pipes, $root),
        $scratch, $at, $folder,
    ];
}

$waiting = [];
foreach ($folders as $folder) {
    $places = places("$root/core/src/$folder");
    mt_srand(crc32($folder));
    shuffle($places);
    foreach (array_slice($places, 0, $each) as $at) {
        $waiting[] = [$at, $folder];
    }
}
$running = $noticed = $all = $survived = [];
while ($waiting !== [] || $running !== []) {
    while ($waiting !== [] && count($running) < 2) {
        [$at, $folder] = array_shift($waiting);
        $running[] = begin($root, $at, $folder);
    }
    usleep(50_000);
    foreach ($running as $i => [$process, $scratch, $at, $folder]) {
        $status = proc_get_status($process);
        if ($status['running']) {
            continue;
        }
        proc_close($process);
        unset($running[$i]);
        $all[$folder] = ($all[$folder] ?? 0) + 1;
        if ($status['exitcode'] === 0) {
            $survived[] = sprintf('%s:%d  “%s” became “%s”', substr($at[0], strlen("$root/core/src/")), $at[4], $at[2], $at[3]);
        } else {
            $noticed[$folder] = ($noticed[$folder] ?? 0) + 1;
        }
        array_map(unlink(...), glob("$scratch/*") ?: []);
        rmdir($scratch);
    }
}
foreach ($all as $folder => $count) {
    printf("  %-12s %d of %d noticed\n", $folder, $noticed[$folder] ?? 0, $count);
}
foreach ($survived as $s) {
    echo "  survived: $s\n";
}
$share = 100 * array_sum($noticed) / max(1, array_sum($all));
printf("%.0f of 100 noticed\n", $share);
exit($share >= FLOOR ? 0 : 1);
