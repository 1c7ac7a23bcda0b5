<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use App\Models\Visit;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Tests\TestCase;

/** What is stored already and says what nobody can read: it stands as it is, is named, and breaks nothing else. */
#[Group('slow'), Group('whole')]
final class UnreadableRecordsTest extends TestCase
{
    private const PAGES = ['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'work', 'recheck', 'after'];

    #[DataProvider('rows')]
    public function test_a_row_nobody_can_read_is_named_and_everything_else_goes_on(
        string $table,
        string $kind,
        string $identity,
        string $payload,
    ): void {
        $user = $this->therapist();
        $visit = $this->worked($user);
        $table === 'entries'
            ? DB::table('entries')->insert([
                'visit_id' => $visit->id, 'client_id' => $visit->client_id, 'phase' => 'before', 'kind' => $kind, 'identity' => $identity,
                'payload' => $payload, 'revision' => 1, 'said_on' => $visit->day(), 'user_id' => $user->id,
            ])
            : DB::table('treatment_events')->insert([
                'id' => (string) Str::ulid(), 'visit_id' => $visit->id, 'user_id' => $user->id, 'type' => $kind, 'step' => 's01',
                'payload' => $payload, 'happened_at' => now(), 'received_at' => now(),
            ]);

        $this->goesOn($visit);
        $named = $this->get("/visits/{$visit->public_id}/after")->assertOk()->inertiaProps('unreadable');
        self::assertCount(1, $named);
        self::assertNotSame('', $named[0]['fault']);
        self::assertSame(
            $payload,
            DB::table($table)
                ->where($table === 'entries' ? 'identity' : 'step', $table === 'entries' ? $identity : 's01')
                ->where('payload', $payload)
                ->value('payload'),
            'it stands as it was written',
        );

        $this->postJson("/visits/{$visit->public_id}/sign", ['happened' => 'Levator.', 'key' => (string) Str::ulid()])->assertOk();
        $this->get("/visits/{$visit->public_id}/note")->assertOk()->assertInertia(static fn ($page) => $page->count('unreadable', 1));
        $this->get("/visits/{$visit->public_id}/note.pdf")->assertOk();
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function rows(): iterable
    {
        yield 'two muscles where one is meant' => ['treatment_events', 'step_started', '', '{"muscle": [1, 2], "side": "left"}'];
        yield 'a muscle nobody has' => ['treatment_events', 'step_started', '', '{"muscle": "wing_lifter", "side": "left"}'];
        yield 'an event cut off' => ['treatment_events', 'pass_reached', '', '{"pressure": 4, "sec'];
        yield 'a sign without its name' => ['treatment_events', 'sign', '', '{}'];
        yield 'consent about nothing' => ['treatment_events', 'consent_withdrawn', '', '{"area": null}'];
        yield 'a complaint nowhere' => ['entries', 'complaint', 'tail:left', '{"zone": "tail", "side": "left", "now": 5}'];
        yield 'a complaint that is a word' => ['entries', 'complaint', 'x', '"much"'];
        yield 'a palpation cut off' => ['entries', 'palpation', 'masseter:left', '{"muscle": "masseter", "si'];
        yield 'a range no neck has' => [
            'entries', 'range', 'cervical.side_bend:left', '{"movement": "cervical.side_bend", "side": "left", "active": 240}',
        ];
        yield 'a condition nobody asks' => ['entries', 'condition', 'hiccups', '{"condition": "hiccups", "answer": "yes"}'];
        yield 'a flag nobody asks' => ['entries', 'red_flag', 'hiccups', '"yes"'];
        yield 'a consent that is a number' => ['entries', 'consent', 'mouth', '7'];
        yield 'a position nobody lies in' => ['entries', 'positions', '', '["hanging"]'];
        yield 'a letter that is a list' => ['entries', 'text', 'letter', '["Dear"]'];
        yield 'an aftermath longer than its time' => ['entries', 'aftermath', '24', '{"hours": 24, "soreness_hours": 90}'];
        yield 'a thing under another name' => [
            'entries', 'complaint', 'neck_back:right', '{"zone": "jaw_angle", "side": "left", "now": 2}',
        ];
    }

    public function test_a_row_changed_past_the_program_is_looked_at_again_and_one_put_right_counts_again(): void
    {
        $visit = $this->worked($this->therapist());
        $this->get("/visits/{$visit->public_id}/ask")->assertInertia(static fn ($page) => $page->where('unreadable', []));
        $good = (string) DB::table('entries')->where('kind', 'complaint')->value('payload');
        DB::table('entries')->where('kind', 'complaint')->update(['payload' => '{"zone": 4']);
        $this->get("/visits/{$visit->public_id}/ask")
            ->assertOk()
            ->assertInertia(
                static fn ($page) => $page->where(
                    'unreadable', [['what' => 'complaint neck back, left', 'fault' => 'It is cut off or is no JSON.']],
                ),
            );

        DB::table('entries')->where('kind', 'complaint')->update(['payload' => $good]);
        $this->get("/visits/{$visit->public_id}/ask")->assertInertia(static fn ($page) => $page->where('unreadable', []));
    }

    public function test_a_command_looks_at_everything_after_an_update(): void
    {
        $visit = $this->worked($this->therapist());
        DB::table('entries')->update(['checked' => 'before']);
        DB::table('entries')->where('kind', 'complaint')->update(['payload' => '[]']);

        self::assertSame(0, Artisan::call('somatrace:records'));
        self::assertStringContainsString('1 cannot be read', Artisan::output());
        self::assertSame(0, DB::table('entries')->where('checked', 'before')->count());
        $this->goesOn($visit);
    }

    public function test_a_batch_with_one_event_that_is_none_is_refused_by_place_and_nothing_of_it_is_kept(): void
    {
        $visit = $this->worked($this->therapist());
        $count = DB::table('treatment_events')->count();

        $this->tell($visit, $this->happening('sign', ['sign' => 'softened']), $this->happening('step_started', ['muscle' => [1, 2]]))
            ->assertUnprocessable()
            ->assertJsonValidationErrors('events.1.payload.muscle')
            ->assertJsonMissingValidationErrors('events.0');
        self::assertSame($count, DB::table('treatment_events')->count());
        // the same name in small letters is no second event
        $event = $this->happening('sign', ['sign' => 'softened']);
        $this->tell($visit, $event)->assertOk();
        $this->tell($visit, [...$event, 'id' => strtolower($event['id'])])->assertUnprocessable();
        self::assertSame($count + 1, DB::table('treatment_events')->count());
    }

    private function worked(User $user): Visit
    {
        $visit = $this->visit($user);
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasNoErrors();
        $this->tell(
            $visit, $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']),
            $this->happening('pass_reached', ['pressure' => 4, 'seconds' => 60, 'tissue_kpa' => 100]),
        )->assertOk();

        return $visit;
    }

    private function goesOn(Visit $visit): void
    {
        foreach (self::PAGES as $step) {
            $this->get("/visits/{$visit->public_id}/$step")->assertOk();
        }
        $client = $visit->client->public_id;
        foreach (
            [
                "/visits/{$visit->public_id}/letter", "/visits/{$visit->public_id}/letter.pdf", "/visits/{$visit->public_id}/summary",
                "/visits/{$visit->public_id}/case.json", "/clients/$client", "/clients/$client/compare", "/clients/$client/files/fhir.json",
                "/clients/$client/files/findings.csv", "/clients/$client/files/measures.csv", "/clients/$client/export",
            ] as $address
        ) {
            $this->get($address)->assertOk();
        }
    }
}
