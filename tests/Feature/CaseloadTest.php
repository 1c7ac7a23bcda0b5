<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Who of a clinic needs a thought, by what they need. */
final class CaseloadTest extends TestCase
{
    private User $user;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-03-09 09:10:00');
        $this->user = $this->therapist();
        $this->actingAs($this->user);
    }

    /** @param  array<string, mixed>  $client */
    #[DataProvider('days')]
    public function test_who_is_due_is_listed_until_booked_and_then_called_back(array $client, ?string $booked, string $where): void
    {
        $one = $this->client($this->user);
        $one->update($client);
        if ($booked !== null) {
            $this->booked($this->user, $one, $booked);
        }

        $page = $this->page('of=all');

        self::assertSame($where, match (true) {
            $page['due'] !== [] => 'due', $page['recall'] !== [] => 'recall', default => 'nowhere',
        });
    }

    /** @return iterable<string, array{array<string, mixed>, string|null, string}> */
    public static function days(): iterable
    {
        yield 'a week ahead' => [['due_on' => '2026-03-16'], null, 'due'];
        yield 'further ahead' => [['due_on' => '2026-03-17'], null, 'nowhere'];
        yield 'three weeks late' => [['due_on' => '2026-02-16'], null, 'due'];
        yield 'later than that' => [['due_on' => '2026-02-15'], null, 'recall'];
        yield 'more than a year ago' => [['due_on' => '2025-03-08'], null, 'nowhere'];
        yield 'booked, whenever' => [['due_on' => '2026-03-10'], '2026-05-01 10:00:00', 'nowhere'];
        yield 'booked this morning' => [['due_on' => '2026-03-09'], '2026-03-09 08:00:00', 'nowhere'];
        yield 'booked yesterday and did not come' => [['due_on' => '2026-03-08'], '2026-03-08 08:00:00', 'due'];
        yield 'nothing was proposed' => [['due_on' => null], null, 'nowhere'];
        yield 'put away' => [['due_on' => '2026-03-09', 'archived_at' => '2026-03-01 10:00:00'], null, 'nowhere'];
    }

    public function test_signing_says_when_the_next_visit_is_due(): void
    {
        $visit = $this->visit($this->user);
        $this->denyEverything($visit);
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'x'])->assertSessionHasNoErrors();

        self::assertSame('2026-03-16', $visit->client->refresh()->due_on);
        $this->travelTo('2026-03-20 09:00:00');
        self::assertSame([['Wilma Reed', '2026-03-16']], $this->named('due'));

        // who is here is not to be called
        $this->visit($this->user, $visit->client);
        self::assertSame([], $this->named('due'));
    }

    public function test_a_course_that_does_not_get_better_stands_there_with_its_reason_until_it_does(): void
    {
        $visit = $this->judged('reassess', 'Three visits, and no change beyond noise.');
        $refer = $this->judged('refer', 'Numb since the last visit.');
        $this->judged('continue', 'Better.');

        $stuck = $this->page()['stuck'];
        self::assertSame(['Numb since the last visit.', 'Three visits, and no change beyond noise.'], array_column($stuck, 'text'));
        self::assertSame($refer->client->public_id, $stuck[0]['client']);

        $visit->client->update(['last_seen_at' => now()->subDays(121)]);
        $refer->client->visits()->create([
            'clinic_id' => $this->user->clinic_id, 'user_id' => $this->user->id, 'number' => 9, 'status' => VisitStatus::Signed,
            'minutes' => 60, 'started_at' => now(),
        ]);
        self::assertSame([], $this->page()['stuck'], 'a course that runs no longer, and one that has gone on');
    }

    public function test_how_a_course_goes_on_is_kept_where_it_is_found_again(): void
    {
        $visit = $this->visit($this->user);
        $this->recordNeck($visit);
        $this->get("/visits/{$visit->public_id}/after")->assertOk();

        $row = DB::table('judgements')->where(['visit_id' => $visit->id, 'kind' => 'response'])->first();
        self::assertSame(json_decode((string) $row?->document, true)['course']['decision'], $row?->decision);
        self::assertNull(DB::table('judgements')->where(['visit_id' => $visit->id, 'kind' => 'safety'])->value('decision'));
    }

    public function test_who_was_asked_and_does_not_answer_is_listed_after_two_days(): void
    {
        $visit = $this->visit($this->user);
        $visit->update(['status' => VisitStatus::Stopped]);
        $this->post("/visits/{$visit->public_id}/check-backs")->assertSessionHasNoErrors();
        self::assertSame([], $this->named('unanswered'));
        $this->travelTo('2026-03-11 09:11:00');
        $this->actingAs($this->user);
        self::assertSame([['Wilma Reed', '2026-03-09']], $this->named('unanswered'));

        $this->post("/visits/{$visit->public_id}/check-backs");
        $link = (string) parse_url((string) session('check_in')['link'], PHP_URL_PATH);
        self::assertCount(1, $this->named('unanswered'), 'asked twice is listed once');
        $this->post($link);
        $this->putJson($link, ['answers' => ['after' => ['worrying' => ['numb_face']]], 'send' => true])->assertOk();
        self::assertSame([], $this->named('unanswered'));
        self::assertSame([['Wilma Reed', '2026-03-11']], $this->named('answered'));
    }

    public function test_what_was_begun_before_today_and_not_signed_stands_there(): void
    {
        $visit = $this->visit($this->user);
        self::assertSame([], $this->page()['unsigned']);
        $this->travelTo('2026-03-10 00:30:00');
        $this->actingAs($this->user);

        self::assertSame(
            ['Visit 1, Ada Thorn, is not signed.', $visit->public_id],
            [$this->page()['unsigned'][0]['text'], $this->page()['unsigned'][0]['visit']],
        );
        $visit->update(['status' => VisitStatus::Stopped]);
        self::assertSame([], $this->page()['unsigned']);
    }

    public function test_ones_own_or_everybodys_and_the_desk_sees_nothing_of_why(): void
    {
        $other = $this->therapist($this->user->clinic);
        $mine = $this->judged('reassess', 'No change.');
        $theirs = $this->judged('reassess', 'No change either.', $other);
        foreach ([$mine, $theirs] as $visit) {
            $visit->client->update(['due_on' => '2026-03-09']);
        }

        self::assertSame([1, 1], [count($this->page()['stuck']), count($this->page()['due'])]);
        self::assertSame([2, 2], [count($this->page('of=all')['stuck']), count($this->page('of=all')['due'])]);
        $this->actingAs($this->therapist($this->user->clinic, Role::Reception));
        $desk = $this->page();
        self::assertSame([0, 2, false], [count($desk['stuck']), count($desk['due']), $desk['clinical']]);
        $this->actingAs($this->therapist());
        self::assertSame([0, 0], [count($this->page('of=all')['stuck']), count($this->page('of=all')['due'])], 'of another clinic');
    }

    private function judged(string $decision, string $because, ?User $by = null): Visit
    {
        $by ??= $this->user;
        $client = $this->client($by, 'Wilma Reed');
        $client->update(['last_seen_at' => now()]);
        $visit = $client->visits()->create([
            'clinic_id' => $by->clinic_id, 'user_id' => $by->id, 'number' => 3, 'status' => VisitStatus::Signed, 'minutes' => 60,
            'started_at' => now(),
        ]);
        DB::table('judgements')->insert([
            'visit_id' => $visit->id, 'kind' => 'response', 'case_hash' => str_repeat('0', 64), 'atlas_version' => '1',
            'document' => json_encode(['course' => ['decision' => $decision, 'because' => $because]]), 'decision' => $decision,
        ]);

        return $visit->setRelation('client', $client);
    }

    /** @return array<string, mixed> */
    private function page(string $query = ''): array
    {
        return $this->get("/caseload?$query")->assertOk()->inertiaProps();
    }

    /** @return list<array{string, string}> */
    private function named(string $group): array
    {
        return array_map(static fn (array $one): array => [$one['name'], $one['since']], $this->page()[$group]);
    }
}
