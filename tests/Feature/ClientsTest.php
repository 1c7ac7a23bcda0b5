<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exchange\Clients\ClientDetails;
use App\Models\Client;
use App\Models\Merge;
use App\Models\User;
use App\Support\Role;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadeUpRecords;
use Tests\TestCase;

final class ClientsTest extends TestCase
{
    public function test_details_and_contacts_are_changed_and_kept(): void
    {
        $user = $this->therapist(role: Role::Reception);
        $client = $this->client($user);
        $details = MadeUpRecords::clients(9, 4)[8];
        $details['name'] = 'Wilma Readman';

        $this->actingAs($user)->put("/clients/{$client->public_id}", $details)->assertRedirect("/clients/{$client->public_id}");

        self::assertSame(array_diff_key($details, ['code' => 1]), array_diff_key(ClientDetails::of($client->refresh()->load('contacts')), ['code' => 1]));
        self::assertSame(['Wilma Readman'], array_column($this->postJson('/clients/search', ['q' => 'readman'])->json(), 'name'));
    }

    public function test_bad_details_are_refused_by_field(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);

        $this->actingAs($user)->put("/clients/{$client->public_id}", ['name' => '', 'born_on' => '3 May', 'pronoun' => 'she', 'skin' => 'usual', 'email' => 'home', 'contacts' => [['kind' => 'doctor', 'name' => '']]])
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
        $names = fn (string $query): array => array_column($this->get("/clients?$query")->assertOk()->viewData('page')['props']['clients'], 'name');

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
            DB::table('visits')->orderBy('started_at')->get(['client_id', 'number'])->map(static fn ($row): array => [(int) $row->client_id, (int) $row->number])->all(),
            DB::table('entries')->orderBy('id')->pluck('client_id')->all(), DB::table('clients')->orderBy('id')->get(['phone', 'email', 'merged_into_id', 'archived_at'])->map(static fn ($row): array => (array) $row)->all(),
        ];
        $before = $state();
        $page = fn (): array => $this->actingAs($user)->get("/clients/{$kept->public_id}/edit")->assertOk()->viewData('page')['props'];
        self::assertSame([[$gone->code, 'same name, same birthday']], array_map(static fn (array $one): array => [$one['code'], $one['because']], $page()['doubles']));

        $this->post("/clients/{$kept->public_id}/merge", ['other' => $gone->public_id])->assertRedirect();

        self::assertSame([[$kept->id, 1], [$kept->id, 2], [$kept->id, 3]], $state()[0]);
        self::assertSame([$kept->id], array_values(array_unique($state()[1])));
        self::assertSame(['+44 1', 'ida@post.example'], [$kept->refresh()->phone, $kept->email]);
        $this->get("/clients/{$gone->public_id}")->assertRedirect("/clients/{$kept->public_id}");
        self::assertSame([], $page()['doubles']);

        $this->post("/clients/{$kept->public_id}/unmerge", ['merge' => $page()['merges'][0]['id']])->assertRedirect();

        self::assertSame($before, $state());
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

        self::assertSame([$client->code, null, null, '1985-01-01'], [$client->refresh()->name, $client->phone, $client->occupation, $client->born_on->format('Y-m-d')]);
        self::assertSame(1, DB::table('notes')->count());
        self::assertSame(0, $this->rowsWith('Ida Vane'));
        self::assertSame([['client erased', $client->id]], DB::table('audit_lines')->where('deed', 'client erased')->get(['deed', 'client_id'])->map(static fn ($row): array => [$row->deed, (int) $row->client_id])->all());
    }

    public function test_erasing_takes_all_when_no_law_keeps_it_any_longer(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $client = $this->client($owner, 'Ida Vane');
        $visit = $this->visit($owner, $client);
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.'])->assertRedirect();
        $visit->update(['started_at' => CarbonImmutable::now()->subYears(11)]);

        $this->delete("/clients/{$client->public_id}", ['code' => $client->code])->assertRedirect('/clients');

        foreach (['visits', 'entries', 'entry_changes', 'notes', 'judgements', 'appointments', 'check_ins'] as $table) {
            self::assertSame(0, DB::table($table)->count(), $table);
        }
        self::assertSame(0, $this->rowsWith('Ida Vane'));
        $this->get("/clients/{$client->public_id}/edit")->assertForbidden();
        $this->post("/clients/{$client->public_id}/visits")->assertForbidden();
        $this->post("/clients/{$client->public_id}/appointments", ['day' => '2030-01-01', 'time' => '10:00', 'minutes' => 60])->assertForbidden();
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

        self::assertSame(['client.json', 'fhir.json', 'findings.csv', 'findings.jsonl', 'measures.csv', 'measures.jsonl', "visits/001-$day.case.json", "visits/001-$day.note.pdf", 'appointments.ics', 'audit.csv', 'READ ME.txt'], $names);
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
