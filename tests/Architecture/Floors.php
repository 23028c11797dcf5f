<?php

declare(strict_types=1);

namespace Tests\Architecture;

/**
 * Who stands on whom: one table for the rules (FloorsTest) and for the picture in docs/house.md (scripts/house.php).
 *
 * Subjects of a floor are listed from below: each may know those before it and all floors beneath, and none after it or above.
 */
final class Floors
{
    /** Of the application, the lowest first. Addresses (Http) stand on all of it; nothing knows them. */
    public const APP = [
        'base' => ['App', 'Typed', 'Units', 'Database'],
        'site' => ['Projects', 'Tasks', 'Control', 'Designs', 'Points', 'Buildings', 'Cogo', 'Examples', 'Worklists', 'Civil'],
        'field' => ['Instrument', 'Setups', 'Stakeout', 'Mending', 'FieldBook'],
        'hand-over' => ['Lists', 'Reports', 'Packing'],
        'put together' => ['Practice', 'Providers'],
    ];

    /** Of core. */
    public const CORE = [
        'base' => ['Core', 'Units', 'Geometry', 'Adjustment'],
        'rules' => ['Instrument', 'Points', 'Civil', 'Cogo', 'Buildings', 'Designs', 'Control', 'Setups', 'Stakeout', 'Reports', 'Fit'],
        'in and out' => ['Formats'],
    ];

    /**
     * Each subject with those that it may not know.
     *
     * @param  array<string, list<string>>  $floors
     * @return array<string, list<string>>
     */
    public static function above(array $floors): array
    {
        $order = array_merge(...array_values($floors));
        $above = [];
        foreach ($order as $i => $subject) {
            $above[$subject] = array_slice($order, $i + 1);
        }

        return array_filter($above);
    }
}
