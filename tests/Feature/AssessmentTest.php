<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What is measured: the list, the devices, what a value is beside others, and the page that is handed over. */
final class AssessmentTest extends TestCase
{
    public function test_move_opens_with_the_list_of_what_hurts_and_every_save_tells_what_the_value_is_beside_others(): void
    {
        $visit = $this->visit($this->therapist());
        $this->denyEverything($visit);
        $this->recordNeck($visit);
        $this->get("/visits/{$visit->public_id}/move")->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->where('assessment.worklist.regions', ['neck'])
            ->has('assessment.worklist.measures', 6)
            ->has('assessment.worklist.muscles', 6)
            ->where('devices', []));

        $saved = $this->save($visit, 'range', ['movement' => 'cervical.side_bend', 'side' => 'left', 'active' => 20], step: 'move')
            ->assertOk();
        $compared = array_values(array_filter(
            $saved->json('assessment.compared'), static fn (array $one): bool => $one['key'] === 'range.cervical.side_bend.active',
        ));
        self::assertSame('22° less than the usual 42°', $compared[0]['with'][0]['words']);
        self::assertTrue($compared[0]['with'][0]['real']);
    }

    public function test_the_list_follows_regions_length_and_position(): void
    {
        $visit = $this->visit($this->therapist());
        $list = $this->postJson("/visits/{$visit->public_id}/worklist?regions[]=knee&regions[]=hip&position=prone")->assertOk();
        $full = $this->postJson("/visits/{$visit->public_id}/worklist?regions[]=knee&full=1")->assertOk();

        self::assertSame(['knee', 'hip'], $list->json('regions'));
        self::assertSame('prone', $list->json('measures.0.position'));
        self::assertGreaterThan(6, count($full->json('measures')));
    }

    #[DataProvider('wrongLists')]
    public function test_a_list_of_something_else_is_refused(string $query): void
    {
        $visit = $this->visit($this->therapist());

        $this->postJson("/visits/{$visit->public_id}/worklist?$query")->assertUnprocessable();
    }

    /** @return iterable<string, array{string}> */
    public static function wrongLists(): iterable
    {
        yield 'a region nobody has' => ['regions[]=tail'];
        yield 'a region twice' => ['regions[]=knee&regions[]=knee'];
        yield 'a position nobody takes' => ['position=upside_down'];
    }

    public function test_a_test_is_kept_with_its_answer_and_what_may_not_be_done_is_said(): void
    {
        $visit = $this->visit($this->therapist());
        $this->denyEverything($visit);
        $this->save($visit, 'complaint', ['zone' => 'neck_side', 'side' => 'left', 'now' => 5])->assertOk();
        $refused = fn (): mixed => collect(
            $this->postJson("/visits/{$visit->public_id}/worklist?full=1")->json('measures'),
        )->firstWhere('id', 'positional_artery')['refused'];
        self::assertNull($refused());
        $this->save($visit, 'red_flag', 'yes', 'numb_face', 1)->assertOk();
        self::assertSame(['kind' => 'forbidden', 'text' => 'Not done: numbness of the face.'], $refused());

        $answer = $this->save(
            $visit, 'test',
            ['test' => 'positional_artery', 'side' => 'left', 'seconds' => 12, 'result' => 'positive', 'symptoms' => ['dizzy']],
            step: 'move',
        )->assertOk();
        self::assertSame('positional_artery:left', $answer->json('entry.identity'));
        self::assertSame('emergency', $answer->json('safety.verdict'), 'two signs from the neck');
        $this->save($visit, 'test', ['test' => 'positional_artery', 'side' => 'left', 'seconds' => 200], seen: 1, step: 'move')
            ->assertUnprocessable();
    }

    public function test_the_simulated_device_streams_lines_and_holds_a_value(): void
    {
        $visit = $this->visit($this->inADemo($this->therapist()));
        $this->get("/visits/{$visit->public_id}/move")->assertInertia(
            static fn (AssertableInertia $page): AssertableInertia => $page->where('devices.inclinometer.simulated', true),
        );
        $stream = $this->post(
            "/visits/{$visit->public_id}/devices/inclinometer/readings?what=cervical.rotation&side=left&repeat=1&about=20",
        )->assertOk();
        $lines = array_map(
            static fn (string $line): mixed => json_decode($line, true), explode("\n", trim((string) $stream->getContent())),
        );

        self::assertStringStartsWith('application/x-ndjson', (string) $stream->headers->get('Content-Type'));
        self::assertSame('hold', $lines[count($lines) - 1]['state']);
        self::assertEqualsWithDelta(20, $lines[count($lines) - 1]['value'], 10);
    }

    public function test_a_stand_in_answers_in_a_demo_only_and_what_it_gave_is_marked_for_ever(): void
    {
        $visit = $this->visit($this->therapist());
        $this->postJson("/visits/{$visit->public_id}/devices/inclinometer/readings?what=cervical.rotation&side=left&repeat=1")
            ->assertNotFound();

        $simulated = ['movement' => 'cervical.rotation', 'side' => 'left', 'active' => 42.2, 'repeats' => [42.2], 'simulated' => true];
        $this->save($visit, 'range', $simulated, step: 'move')->assertOk();
        $this->save($visit, 'range', ['movement' => 'cervical.rotation', 'side' => 'left', 'active' => 50], seen: 1, step: 'move')
            ->assertOk();

        self::assertContains(
            $simulated, $visit->entries()->where('kind', 'range')->firstOrFail()->changes()->get()->pluck('payload')->all(),
            'the mark stays on the record',
        );
    }

    /** The stand-ins for devices answer where all is made up. */
    private function inADemo(User $user): User
    {
        $user->clinic->update(['demo' => true]);

        return $user->fresh() ?? $user;
    }

    #[DataProvider('wrongDevices')]
    public function test_a_device_is_held_only_to_what_it_measures(string $path, int $status): void
    {
        $visit = $this->visit($this->therapist());

        $this->postJson("/visits/{$visit->public_id}/devices/$path")->assertStatus($status);
    }

    /** @return iterable<string, array{string, int}> */
    public static function wrongDevices(): iterable
    {
        yield 'no device' => ['thermometer/readings?what=cervical.rotation&side=left&repeat=1', 404];
        yield 'an algometer on a movement' => ['algometer/readings?what=cervical.rotation&side=left&repeat=1', 422];
        yield 'an inclinometer on a glide' => ['inclinometer/readings?what=patella.glide_in&side=left&repeat=1', 422];
        yield 'a dynamometer on a girth' => ['dynamometer/readings?what=calf_girth&side=left&repeat=1', 422];
        yield 'no repeat' => ['inclinometer/readings?what=cervical.rotation&side=left', 422];
    }

    public function test_a_device_of_the_room_is_named_by_the_settings(): void
    {
        config(['somatrace.devices.algometer' => 'http://127.0.0.1:9001/algometer']);
        $visit = $this->visit($this->therapist());

        $this->get("/visits/{$visit->public_id}/feel")->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->where('devices', ['algometer' => ['address' => 'http://127.0.0.1:9001/algometer', 'simulated' => false]]));
    }

    public function test_the_summary_tells_in_plain_words_what_was_found(): void
    {
        $visit = $this->visit($this->therapist());
        $this->denyEverything($visit);
        $this->recordNeck($visit);
        $this->save($visit, 'range', ['movement' => 'cervical.flexion', 'side' => 'midline', 'active' => 49])->assertOk();

        $this->get("/visits/{$visit->public_id}/summary")->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->component('Visit/Summary')->has('complaints', 1)
            ->where('reason', ['Pain in the back of the neck on the left: 6 of 10 now.'])
            ->where('found.0', 'Left levator scapulae: tenderness 3 of 4, tone raised, a taut band, pressing it is your own pain; an active trigger point.')
            ->where('found.1', 'Turning the head: left 70°, right 48° (usual 75°); right 22° short of left; pain 3 of 10 on the right.')
            ->where('found.2', 'Moved and as usual: bending the head forward.')
            ->where('explains.0.name', 'Levator scapulae'));
        $pdf = $this->get("/visits/{$visit->public_id}/summary.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        self::assertStringStartsWith('%PDF', (string) $pdf->getContent());
        $this->actingAs($this->therapist(role: Role::Reception, clinic: $visit->user->clinic))
            ->get("/visits/{$visit->public_id}/summary")
            ->assertForbidden();
    }

    /** Written between the two, a finding is shown and not judged yet; judged and not shown it would look as if it were gone. */
    public function test_a_page_reads_what_was_found_after_what_is_judged_of_it(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $asked = [];
        DB::listen(static function (QueryExecuted $query) use (&$asked): void {
            foreach (['judgements', 'entries'] as $table) {
                if (str_starts_with($query->sql, "select * from \"$table\"")) {
                    $asked[] = $table;
                }
            }
        });

        $this->get("/visits/{$visit->public_id}/feel")->assertOk();

        self::assertContains('judgements', $asked);
        self::assertSame('entries', $asked[count($asked) - 1]);
    }
}
