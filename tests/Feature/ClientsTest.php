<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\ClientDetails;
use App\Models\Client;
use App\Models\Merge;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Support\MadeUpRecords;
use Tests\TestCase;

final class ClientsTest extends TestCase
{
    public function test_details_and_contacts_are_changed_and_kept(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $details = MadeUpRecords::clients(9, 4)[8];
        $details['name'] = 'Wilma Readman';

        $this->actingAs($user)->put("/clients/{$client->public_id}", $details)->assertRedirect("/clients/{$client->public_id}");

        self::assertSame(
            array_diff_key($details, ['code' => 1]), array_diff_key(ClientDetails::of($client->refresh()->load('contacts')), ['code' => 1]),
        );
        self::assertSame(['Wilma Readman'], array_column($this->postJson('/clients/search', ['q' => 'readman'])->json(), 'name'));
    }

    public function test_who_rings_is_found_by_the_number_however_it_is_grouped(): void
    {
        $user = $this->therapist();
        $this->actingAs($user)->post('/clients', [
            'name' => 'Bettina Orrel', 'born_on' => '1980-01-01', 'pronoun' => 'she', 'sex' => 'unsaid', 'phone' => '+44 1632 960 345',
        ])->assertRedirect();
        $found = fn (string $asked): array => array_column($this->postJson('/clients/search', ['q' => $asked])->json(), 'name');

        foreach (['1632 960345', '01632960345', '(01632) 960-345', '+44 1632 960 345', '960345', '0345'] as $asked) {
            self::assertSame(['Bettina Orrel'], $found($asked), $asked);
        }
        self::assertSame([], $found('960 346'));
        $client = Client::query()->where('name', 'Bettina Orrel')->firstOrFail();
        $this->put("/clients/{$client->public_id}", [
            'name' => 'Bettina Orrel', 'born_on' => '1980-01-01', 'pronoun' => 'she', 'sex' => 'unsaid', 'phone' => '+44 1632 960 777',
        ])->assertRedirect();
        self::assertSame([], $found('960345'), 'a number that is no longer theirs');
        self::assertSame(['Bettina Orrel'], $found('960777'));
    }

    public function test_every_change_keeps_who_when_before_and_after(): void
    {
        $this->travelTo('2026-11-27 09:30:00');
        $user = $this->therapist();
        $client = $this->client($user);
        $details = [
            ...array_diff_key(ClientDetails::of($client->load('contacts')), ['code' => 1]), 'mass_kg' => 71.5, 'occupation' => 'carver',
            'contacts' => [['kind' => 'doctor', 'name' => 'Dr Finch', 'phone' => '+44 20 1234', 'email' => null, 'note' => null]],
        ];
        $this->actingAs($user)->put("/clients/{$client->public_id}", $details)->assertSessionHasNoErrors();
        $this->put("/clients/{$client->public_id}", $details)->assertSessionHasNoErrors(); // the same again is no change
        $this->post("/clients/{$client->public_id}/archive")->assertRedirect();

        $changes = $this->get("/clients/{$client->public_id}/edit")->assertOk()->inertiaProps('changes');
        self::assertSame(['archived at', 'contacts', 'mass kg', 'occupation'], collect($changes)->pluck('field')->sort()->values()->all());
        self::assertContains(
            ['at' => '27 November 2026, 09:30', 'by' => 'Ada Thorn', 'field' => 'mass kg', 'before' => 'nothing', 'after' => '71.5'],
            $changes,
        );
        self::assertContains(
            [
                'at' => '27 November 2026, 09:30', 'by' => 'Ada Thorn', 'field' => 'contacts', 'before' => 'nothing',
                'after' => 'doctor, Dr Finch, +44 20 1234',
            ],
            $changes,
        );
        $this->actingAs($this->therapist($user->clinic, Role::Reception));
        self::assertNotContains(
            'mass kg', array_column($this->get("/clients/{$client->public_id}/edit")->inertiaProps('changes'), 'field'),
        );
    }

    public function test_reception_neither_reads_nor_changes_what_is_clinical(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $client->update(['mass_kg' => 71.5, 'skin' => 'fragile', 'stoic' => true, 'hand' => 'left']);
        $this->actingAs($user)
            ->post(
                "/clients/{$client->public_id}/appointments",
                ['day' => now()->format('Y-m-d'), 'time' => '12:00', 'minutes' => 60, 'reason' => 'shoulder after the fall'],
            )
            ->assertSessionHasNoErrors();
        $this->actingAs($this->therapist($user->clinic, Role::Reception));

        foreach (['/', "/clients/{$client->public_id}", "/clients/{$client->public_id}/edit", '/clients'] as $address) {
            $answer = $this->get($address)->assertOk();
            $answer->assertDontSee('shoulder after the fall')->assertDontSee('fragile')->assertDontSee('71.5');
        }
        self::assertSame(
            [],
            array_intersect(ClientDetails::CLINICAL, array_keys($this->get("/clients/{$client->public_id}/edit")->inertiaProps('client'))),
        );
        self::assertStringNotContainsString('fragile', (string) $this->get('/clinic/files/clients.csv')->getContent());
        $plain = ['name' => 'Wilma Reed', 'pronoun' => 'she', 'born_on' => '1985-04-01', 'phone' => '+44 20 999'];
        foreach (['mass_kg' => 80, 'skin' => 'usual', 'stoic' => false, 'hand' => 'right'] as $key => $value) {
            $this->put("/clients/{$client->public_id}", [...$plain, $key => $value])->assertSessionHasErrors($key);
        }
        $this->put("/clients/{$client->public_id}", $plain)->assertSessionHasNoErrors();
        $this->post(
            "/clients/{$client->public_id}/appointments", ['day' => '2027-01-11', 'time' => '10:00', 'minutes' => 60, 'reason' => 'knee'],
        )->assertSessionHasErrors('reason');
        $table = "code,name,born_on,mass_kg,skin,stoic\r\n{$client->code},Wilma Reed,1985-04-01,99,dry,no\r\n";
        $digest = $this->post(
            '/clinic/bring/clients.csv', ['file' => UploadedFile::fake()->createWithContent('c.csv', $table)],
            ['Accept' => 'application/json'],
        )
            ->assertOk()
            ->json('digest');
        $this->post(
            '/clinic/bring/clients.csv/apply', ['file' => UploadedFile::fake()->createWithContent('c.csv', $table), 'digest' => $digest],
            ['Accept' => 'application/json'],
        )->assertOk();

        self::assertEquals(
            ['mass_kg' => 71.5, 'skin' => 'fragile', 'stoic' => true, 'hand' => 'left'],
            $client->refresh()->only(['mass_kg', 'skin', 'stoic', 'hand']),
        );
        self::assertSame('+44 20 999', $client->phone);
    }

    public function test_bad_details_are_refused_by_field(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);

        $this->actingAs($user)->put(
            "/clients/{$client->public_id}",
            [
                'name' => '', 'born_on' => '3 May', 'pronoun' => 'she', 'skin' => 'usual', 'email' => 'home',
                'contacts' => [['kind' => 'doctor', 'name' => '']],
            ],
        )
            ->assertSessionHasErrors(['name', 'born_on', 'email', 'contacts.0.name']);
        self::assertSame('Wilma Reed', $client->refresh()->name);
    }

    public function test_the_list_sorts_finds_and_leaves_out_those_put_away(): void
    {
        $user = $this->therapist();
        foreach (['Zita Ohm', 'Anton Ray', 'Ängla Moss'] as $name) {
            $this->client($user, $name);
        }
        $away = $this->client($user, 'Otto Gone');
        $this->actingAs($user)->post("/clients/{$away->public_id}/archive")->assertRedirect();
        $names = fn (string $query): array => array_column(
            $this->get("/clients?$query")->assertOk()->inertiaProps()['clients'], 'name',
        );

        self::assertSame(['Anton Ray', 'Zita Ohm', 'Ängla Moss'], $names('sort=name'));
        $this->post('/clients/find', ['q' => 'angla']);
        self::assertSame(['Ängla Moss'], $names('sort=name'));
        $this->post('/clients/find', ['q' => '']);
        self::assertSame(['Otto Gone'], $names('away=1'));
        self::assertSame([], $this->postJson('/clients/search', ['q' => 'otto'])->json());

        $this->post("/clients/{$away->public_id}/unarchive");
        self::assertCount(4, $names('sort=code'));
    }

    public function test_doubles_become_one_and_two_again(): void
    {
        $user = $this->therapist();
        [$kept, $gone] = [$this->client($user, 'Ida Vane'), $this->client($user, 'Ida Vane')];
        $gone->update(['phone' => '+44 1', 'email' => 'ida@post.example']);
        $this->stopped($gone, $user, '2026-01-05');
        $this->stopped($kept, $user, '2026-02-05');
        $this->stopped($gone, $user, '2026-03-05');
        $state = fn (): array => [
            DB::table('visits')
                ->orderBy('started_at')
                ->get(['client_id', 'number'])
                ->map(static fn ($row): array => [(int) $row->client_id, (int) $row->number])
                ->all(),
            DB::table('entries')->orderBy('id')->pluck('client_id')->all(),
            DB::table('clients')
                ->orderBy('id')
                ->get(['phone', 'email', 'merged_into_id', 'archived_at'])
                ->map(static fn ($row): array => (array) $row)
                ->all(),
        ];
        $before = $state();
        $page = fn (): array => $this->actingAs($user)->get("/clients/{$kept->public_id}/edit")->assertOk()->inertiaProps();
        self::assertSame(
            [[$gone->code, 'same name, same birthday']],
            array_map(static fn (array $one): array => [$one['code'], $one['because']], $page()['doubles']),
        );

        $this->post("/clients/{$kept->public_id}/merge", ['other' => $gone->public_id])->assertRedirect();

        self::assertSame([[$kept->id, 1], [$kept->id, 2], [$kept->id, 3]], $state()[0]);
        self::assertSame([$kept->id], array_values(array_unique($state()[1])));
        self::assertSame(['+44 1', 'ida@post.example'], [$kept->refresh()->phone, $kept->email]);
        $this->get("/clients/{$gone->public_id}")->assertRedirect("/clients/{$kept->public_id}");
        self::assertSame([], $page()['doubles']);
        self::assertSame(
            ['email', 'phone'], collect(Merge::query()->sole()->moved['filled'])->sort()->values()->all(), 'only what was told there',
        );

        $this->post("/clients/{$kept->public_id}/unmerge", ['merge' => $page()['merges'][0]['id']])->assertRedirect();

        self::assertSame($before, $state());
    }

    public function test_somebody_without_visits_is_made_one_and_two_again(): void
    {
        $user = $this->therapist();
        [$kept, $gone] = [$this->client($user, 'Ida Vane'), $this->client($user, 'Ida Vane')];
        $this->actingAs($user)->post("/clients/{$kept->public_id}/merge", ['other' => $gone->public_id])->assertRedirect();
        self::assertSame($kept->id, $gone->refresh()->merged_into_id);
        $this->post("/clients/{$kept->public_id}/unmerge", ['merge' => Merge::query()->sole()->id])->assertRedirect()
            ->assertSessionHasNoErrors();
        self::assertNull($gone->refresh()->merged_into_id);
    }

    public function test_two_open_visits_are_not_made_one(): void
    {
        $user = $this->therapist();
        [$kept, $gone] = [$this->client($user, 'Ida Vane'), $this->client($user, 'Ida Vane')];
        $this->visit($user, $kept);
        $this->visit($user, $gone);

        $this->post("/clients/{$kept->public_id}/merge", ['other' => $gone->public_id])->assertSessionHasErrors('other');
        $this->post("/clients/{$kept->public_id}/merge", ['other' => $kept->public_id])->assertSessionHasErrors('other');
        $this->post("/clients/{$kept->public_id}/merge", ['other' => $this->client($this->therapist())->public_id]);
        self::assertSame(0, Merge::query()->count());
    }

    public function test_erasing_keeps_what_the_law_keeps_under_the_bare_code(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $client = $this->client($owner, 'Ida Vane');
        $client->update(['phone' => '+44 1', 'occupation' => 'rigger']);
        $visit = $this->visit($owner, $client);
        $this->recordNeck($visit);
        $this->save($visit, 'text', 'Dear colleague, Ida Vane …', 'letter')->assertOk();
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.'])->assertRedirect();
        $this->delete("/clients/{$client->public_id}", ['code' => 'WRONG'])->assertSessionHasErrors('code');
        self::assertNull($client->refresh()->erased_at);

        $this->delete("/clients/{$client->public_id}", ['code' => $client->code])->assertRedirect('/clients');

        self::assertSame(
            [$client->code, null, null, '1985-01-01'],
            [$client->refresh()->name, $client->phone, $client->occupation, $client->born_on->format('Y-m-d')],
        );
        self::assertSame(1, DB::table('notes')->count());
        self::assertSame(0, $this->rowsWith('Ida Vane'));
        self::assertSame(
            [['client erased', $client->id]],
            DB::table('audit_lines')
                ->where('deed', 'client erased')
                ->get(['deed', 'client_id'])
                ->map(static fn ($row): array => [$row->deed, (int) $row->client_id])
                ->all(),
        );
    }

    public function test_erasing_takes_all_when_no_law_keeps_it_any_longer(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $client = $this->client($owner, 'Ida Vane');
        $visit = $this->visit($owner, $client);
        $this->recordNeck($visit);
        $this->post("/clients/{$client->public_id}/check-ins")->assertRedirect();
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.'])->assertRedirect();
        $visit->update(['started_at' => CarbonImmutable::now()->subYears(11)]);

        $this->delete("/clients/{$client->public_id}", ['code' => $client->code])->assertRedirect('/clients');

        foreach (['visits', 'entries', 'entry_changes', 'notes', 'judgements', 'appointments', 'check_ins'] as $table) {
            self::assertSame(0, DB::table($table)->count(), $table);
        }
        self::assertSame(0, $this->rowsWith('Ida Vane'));
        $this->get("/clients/{$client->public_id}/edit")->assertForbidden();
        $this->post("/clients/{$client->public_id}/visits")->assertForbidden();
        $this->post("/clients/{$client->public_id}/appointments", ['day' => '2030-01-01', 'time' => '10:00', 'minutes' => 60])
            ->assertForbidden();
    }

    public function test_the_window_that_fetches_the_archive_is_told_how_far_it_is(): void
    {
        $user = $this->therapist();
        $client = $this->client($user, 'Ida Vane');
        $this->visit($user, $client)->update(['status' => 'stopped']);
        $this->visit($user, $client);
        $token = (string) Str::ulid();

        $this->actingAs($user)->get("/clients/{$client->public_id}/export?progress=$token")->assertOk();
        $told = $this->getJson("/bring/progress/$token")->json('progress');
        self::assertSame(['visits', 2], [$told['what'], $told['of']]);
        $this->getJson("/clients/{$client->public_id}/export?progress=no-token")->assertStatus(422);
    }

    public function test_everything_of_a_client_goes_out_in_one_archive(): void
    {
        $user = $this->therapist();
        $client = $this->client($user, 'Ida Vane');
        $visit = $this->visit($user, $client);
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.'])->assertRedirect();
        $path = $this->get("/clients/{$client->public_id}/export")->assertOk()->baseResponse->getFile()->getPathname();
        $zip = new \ZipArchive;
        self::assertTrue($zip->open($path));
        $names = array_map(static fn (int $index): string => (string) $zip->getNameIndex($index), range(0, $zip->numFiles - 1));
        $day = $user->clinic->day($visit->started_at);

        self::assertSame(
            [
                'client.json', 'fhir.json', 'findings.csv', 'findings.jsonl', 'measures.csv', 'measures.jsonl', "visits/001-$day.case.json",
                "visits/001-$day.note.pdf", 'appointments.ics', 'audit.csv', 'READ ME.txt',
            ],
            $names,
        );
        self::assertSame('Ida Vane', json_decode((string) $zip->getFromName('client.json'), true)['name']);
        self::assertStringStartsWith('%PDF', (string) $zip->getFromName("visits/001-$day.note.pdf"));
        self::assertStringContainsString('visit begun', (string) $zip->getFromName('audit.csv'));
        $zip->close();
        @unlink($path);
    }

    private function stopped(Client $client, User $user, string $day): void
    {
        $visit = $this->visit($user, $client);
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/stop");
        $visit->update(['started_at' => CarbonImmutable::parse("$day 10:00")]);
    }

    /** How many cells of the whole database hold it. */
    private function rowsWith(string $needle): int
    {
        $found = 0;
        foreach (DB::table('sqlite_master')->where('type', 'table')->where('name', 'not like', 'sqlite_%')->pluck('name') as $table) {
            foreach (DB::table((string) $table)->get() as $row) {
                $found += str_contains((string) json_encode($row), $needle) ? 1 : 0;
            }
        }

        return $found;
    }
}
