<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use App\Support\LargeClinic;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic as Core;
use Tests\TestCase;

/** No page asks the database more often because there is more to show. */
final class QueriesTest extends TestCase
{
    private const MOST = 12;

    public function test_a_clinic_ten_times_as_large_is_asked_no_more_often(): void
    {
        DB::beginTransaction();
        try {
            $small = $this->counted(6, 18, 90);
        } finally {
            DB::rollBack();
        }
        $large = $this->counted(60, 360, 3600);

        self::assertSame($small, $large);
        self::assertLessThanOrEqual(self::MOST, max($large));
    }

    /** @return array<string, int> queries by page, of the client with the longest course and the lists */
    private function counted(int $clients, int $visits, int $findings): array
    {
        (new LargeClinic(app(Core::class)))->make($clients, $visits, $findings);
        $owner = User::query()->whereRelation('roles', 'name', Role::Owner->value)->latest('id')->firstOrFail();
        $last = DB::table('visits')
            ->join('clients', 'clients.id', '=', 'visits.client_id')
            ->where('visits.clinic_id', $owner->clinic_id)
            ->orderByDesc('number')
            ->first(['visits.public_id as visit', 'clients.public_id as client']);
        self::assertNotNull($last);
        $counts = [];
        foreach ([
            'today' => '/', 'clients' => '/clients', 'audit' => '/clinic/audit', 'people' => '/people',
            'client' => "/clients/{$last->client}", 'details' => "/clients/{$last->client}/edit",
            'note' => "/visits/{$last->visit}/note", 'ask' => "/visits/{$last->visit}/ask", 'feel' => "/visits/{$last->visit}/feel",
            'after' => "/visits/{$last->visit}/after",
        ] as $name => $path) {
            $this->actingAs($owner->fresh() ?? $owner)->get($path)->assertOk(); // the first look may compute and store
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->get($path)->assertOk();
            $counts[$name] = count(DB::getQueryLog());
        }

        return $counts;
    }
}
