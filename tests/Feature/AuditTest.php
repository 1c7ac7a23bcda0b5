<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\HandleInertiaRequests;
use App\Models\Role;
use App\Support\AuditDeed;
use Carbon\CarbonImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

final class AuditTest extends TestCase
{
    public function test_who_looked_and_who_changed_is_written_by_number_and_never_by_name(): void
    {
        $user = $this->therapist();
        $client = $this->client($user, 'Ida Vane');
        $visit = $this->visit($user, $client);
        $this->get("/clients/{$client->public_id}");
        $this->get("/visits/{$visit->public_id}/feel");
        $this->save($visit, 'complaint', ['zone' => 'neck_back', 'side' => 'left', 'now' => 3]);
        $this->get("/visits/{$visit->public_id}/case.json");

        $lines = DB::table('audit_lines')->orderBy('id')->get();

        self::assertSame(
            [
                ['changed', 'visit begun', ''], ['saw', 'client', ''], ['saw', 'visit', 'feel'], ['changed', 'record', 'complaint'],
                ['took', 'case file', ''],
            ],
            $lines->map(static fn ($line): array => [$line->kind, $line->deed, $line->detail])->all(),
        );
        self::assertSame([$user->id], $lines->pluck('user_id')->unique()->values()->all());
        self::assertSame([null, null, $visit->id, $visit->id, $visit->id], $lines->pluck('visit_id')->all());
        self::assertStringNotContainsString('Ida', (string) json_encode($lines));
    }

    public function test_what_goes_on_is_written_once_in_five_minutes(): void
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        foreach ([0, 1, 4] as $minutes) {
            $this->travel($minutes)->minutes();
            $this->get("/visits/{$visit->public_id}/ask");
            $this->travelBack();
        }
        self::assertSame(1, DB::table('audit_lines')->where('deed', 'visit')->count());
        $this->travel(6)->minutes();
        $this->get("/visits/{$visit->public_id}/ask");

        self::assertSame(2, DB::table('audit_lines')->where('deed', 'visit')->count());
    }

    public function test_what_was_refused_is_no_deed_but_that_it_was_tried_is_written(): void
    {
        $visit = $this->visit($this->therapist());
        $stranger = $this->therapist();
        $count = DB::table('audit_lines')->count();

        $this->actingAs($stranger)->get("/visits/{$visit->public_id}/ask")->assertForbidden();
        $this->post('/clients', ['name' => ''])->assertSessionHasErrors();

        $line = DB::table('audit_lines')->orderByDesc('id')->first();
        self::assertSame($count + 1, DB::table('audit_lines')->count(), 'a form that came back with its faults is no attempt');
        self::assertSame(
            [$stranger->id, 'visit', 1, '403, ask, of another clinic', null, null],
            [$line?->user_id, $line?->deed, $line?->refused, $line?->detail, $line?->client_id, $line?->visit_id],
        );
        $reception = $this->therapist($stranger->clinic, Role::Reception);
        $this->actingAs($reception)->get('/people')->assertForbidden();
        self::assertSame('people', DB::table('audit_lines')->where('user_id', $reception->id)->where('refused', 1)->value('deed'));
    }

    public function test_coming_going_and_a_wrong_password_are_written(): void
    {
        $user = $this->therapist();
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'wrong']);
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'a good password'])->assertRedirect('/');
        $this->post('/sign-out');

        self::assertSame(
            ['refused at the door', 'signed in', 'signed out'],
            DB::table('audit_lines')->where('user_id', $user->id)->orderBy('id')->pluck('deed')->all(),
        );
        // as a window does, which is led on by a page of its own
        $version = ['X-Inertia' => 'true', 'X-Inertia-Version' => (string) (new HandleInertiaRequests)->version(request())];
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'a good password'], $version)
            ->assertStatus(409)
            ->assertHeader('X-Inertia-Location');
        $this->post('/sign-out', [], $version)->assertStatus(409);
        self::assertSame(
            ['signed in', 'signed out'],
            DB::table('audit_lines')->where('user_id', $user->id)->orderByDesc('id')->limit(2)->pluck('deed')->reverse()->values()->all(),
        );
    }

    #[TestWith(['update audit_lines set deed = \'nothing\''])]
    #[TestWith(['delete from audit_lines'])]
    public function test_the_database_itself_keeps_every_line(string $statement): void
    {
        $this->visit($this->therapist());
        self::assertGreaterThan(0, DB::table('audit_lines')->count());

        $this->expectException(QueryException::class);
        $this->expectExceptionMessage('a line of the audit is never');
        DB::statement($statement);
    }

    public function test_the_owner_filters_leafs_and_takes_it_out(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $other = $this->therapist($owner->clinic);
        $clients = [$this->client($owner), $this->client($owner)];
        foreach ([[$owner, $clients[0]], [$other, $clients[1]]] as [$user, $client]) {
            $this->actingAs($user)->get("/clients/{$client->public_id}");
        }
        $this->visit($this->therapist()); // another clinic
        $this->actingAs($owner);
        $lines = fn (string $query): array => array_map(
            static fn (array $line): string => "{$line['person']} {$line['done']} {$line['of']} ".($line['client']['code'] ?? ''),
            $this->get("/clinic/audit?$query")->assertOk()->inertiaProps()['lines'],
        );
        $today = CarbonImmutable::now()->format('Y-m-d');

        $saw = array_filter($lines('kind=saw'), static fn (string $line): bool => str_contains($line, ' opened the record of '));
        self::assertCount(2, $saw);
        self::assertSame(["{$other->name} opened the record of {$clients[1]->code}"], $lines("person={$other->id}&from=$today&to=$today"));
        self::assertSame(["{$owner->name} opened the record of {$clients[0]->code}"], $lines("client={$clients[0]->code}"));
        self::assertSame([], $lines('client=NO-99'));
        self::assertSame([], $lines('to=2020-01-01'));
        $this->get('/clinic/audit?kind=gossip')->assertRedirect();

        $csv = (string) $this->get("/clinic/audit.csv?person={$other->id}")->assertOk()->getContent();
        self::assertStringStartsWith('moment_utc,person,kind,deed,detail,client,visit,address,device', $csv);
        self::assertSame(2, substr_count($csv, "\r\n"));
    }

    /** Read aloud, each line is a sentence: somebody, what they did, to whose record; and what they were not let do. */
    public function test_every_deed_is_a_sentence_done_or_refused(): void
    {
        self::assertSame(['opened the record', 'of'], AuditDeed::said('saw', 'client', false));
        self::assertSame(['was not allowed to open the record', 'of'], AuditDeed::said('saw', 'client', true));
        self::assertSame(['was not allowed to open people', 'of'], AuditDeed::said('saw', 'people', true));
        self::assertSame(['was refused at the door', ''], AuditDeed::said('door', 'refused at the door', true));
        self::assertSame(['read tea leaves', 'of'], AuditDeed::said('changed', 'read tea leaves', false), 'of an older version');

        foreach (AuditDeed::routes() as $route) {
            $deed = AuditDeed::ofRoute($route);
            self::assertNotNull($deed);
            [$done] = AuditDeed::said($deed->kind, $deed->words, false);
            self::assertMatchesRegularExpression(
                '/^(\w+ed|took|began|wrote|put|made|set|reset|kept|read|chose|brought|gave)\b/', $done, $route,
            );
            [$tried] = AuditDeed::said($deed->kind, $deed->words, true);
            self::assertDoesNotMatchRegularExpression('/allowed to \w+ed\b/', $tried, "$route: \"$tried\"");
        }
    }
}
