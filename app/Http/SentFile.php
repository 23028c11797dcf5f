<?php

declare(strict_types=1);

namespace App\Http;

use App\Projects\Models\Project;
use App\Projects\Upload;
use App\Projects\Uploads;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/** The file of a request that brings one. */
final class SentFile
{
    /**
     * @param  Project|null  $project  whose it is
     * @throws \DomainException where none came, or it can't be kept
     */
    public static function keep(Request $request, ?Project $project): Upload
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw new \DomainException('No file arrived. It must be sent as “file” and be under 200 MB.');
        }

        return Uploads::keep($file->getPathname(), $file->getClientOriginalName(), $project);
    }
}
