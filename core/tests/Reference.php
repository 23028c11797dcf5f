<?php

declare(strict_types=1);

namespace Parlay\Core\Tests;

/** Asks a reference library of Debian's Python: one script, JSON in and out. */
final class Reference
{
    public static function python(string $script, mixed $input): mixed
    {
        $process = proc_open(
            ['/usr/bin/python3', '-c', "import json,sys\ninput=json.load(sys.stdin)\n$script"],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes,
        )
            ?: throw new \RuntimeException('Python could not be started.');
        fwrite($pipes[0], json_encode($input, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        $answer = stream_get_contents($pipes[1]);
        $error = stream_get_contents($pipes[2]);
        if (proc_close($process) !== 0) {
            throw new \RuntimeException("The reference failed: $error");
        }

        return json_decode((string) $answer, true, flags: JSON_THROW_ON_ERROR);
    }
}
