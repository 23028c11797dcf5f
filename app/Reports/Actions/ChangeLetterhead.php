<?php

declare(strict_types=1);

namespace App\Reports\Actions;

use App\Database\Bytes;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use App\Reports\LetterheadWanted;
use App\Reports\Logo;
use App\Reports\Models\Letterhead;

/** Says who hands over; reports that were issued keep the head they had. */
final class ChangeLetterhead
{
    public function __invoke(Project $project, LetterheadWanted $wanted): Letterhead
    {
        $columns = ['firm' => trim($wanted->firm), 'address' => trim(str_replace("\r", '', $wanted->address)), 'paper' => $wanted->paper];
        if ($wanted->logo === '') {
            $columns['logo'] = null;
        } elseif ($wanted->logo !== null) {
            Uploads::require($wanted->logo, $project);
            $columns['logo'] = Bytes::stream(Logo::of((string) file_get_contents(Uploads::path($wanted->logo))));
        }
        Letterhead::of($project)->updateOrCreate([], $columns);
        // Its pixels are kept, the file is of no more use.
        $wanted->logo === null || $wanted->logo === '' || Uploads::forget($wanted->logo);

        return Letterhead::in($project);
    }
}
