<?php

declare(strict_types=1);

namespace App\Reports\Actions;

use App\Database\Bytes;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use App\Reports\LetterheadWanted;
use App\Reports\Logo;
use App\Reports\Models\Letterhead;
use App\Seen;
use Illuminate\Support\Facades\DB;

/** Says who hands over; reports that were issued keep the head they had. */
final class ChangeLetterhead
{
    public function __invoke(Project $project, LetterheadWanted $wanted): Letterhead
    {
        $columns = self::columns($wanted);
        if ($wanted->logo === '') {
            $columns['logo'] = null;
        } elseif ($wanted->logo !== null) {
            Uploads::require($wanted->logo, $project);
            $columns['logo'] = Bytes::stream(Logo::of((string) file_get_contents(Uploads::path($wanted->logo))));
        }
        DB::transaction(static function () use ($project, $wanted, $columns): void {
            Seen::refuseOther(Letterhead::in($project), $wanted->seen === null ? null : self::columns($wanted->seen), 'The letterhead');
            Letterhead::of($project)->updateOrCreate([], $columns);
        });
        // Its pixels are kept, the file is of no more use.
        $wanted->logo === null || $wanted->logo === '' || Uploads::forget($wanted->logo);

        return Letterhead::in($project);
    }

    /** @return array<string, mixed> */
    private static function columns(LetterheadWanted $of): array
    {
        return ['firm' => trim($of->firm), 'address' => trim(str_replace("\r", '', $of->address)), 'paper' => $of->paper];
    }
}
