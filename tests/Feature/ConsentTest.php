<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\CaseAssembler;
use App\Models\User;
use App\Models\Visit;
use Somatrace\Core\Clinic as Core;
use Tests\TestCase;

/** Agreement is for today, with the words, who asked and when; a minor's guardian answers each time. */
final class ConsentTest extends TestCase
{
    public function test_who_asked_and_when_is_written_by_the_server_and_by_nobody_else(): void
    {
        $visit = $this->visit($this->therapist());
        $this->travelTo('2026-05-04 09:30:00');
        $words = ['area' => 'front_of_neck', 'given' => true, 'said' => 'May I?', 'but' => 'not the left'];

        $kept = $this->save($visit, 'consent', [...$words, 'asked_by' => 'Somebody else', 'asked_at' => '2020-01-01T00:00:00Z'])
            ->assertOk()
            ->json('entry.payload');
        self::assertEquals([...$words, 'asked_by' => 'Ada Thorn', 'asked_at' => '2026-05-04T09:30:00Z'], $kept);

        $this->travel(5)->minutes();
        // said again with what the page shows: nothing new
        $this->save($visit, 'consent', $kept)
            ->assertOk()
            ->assertJsonPath('entry.revision', 1)
            ->assertJsonPath('entry.payload.asked_at', '2026-05-04T09:30:00Z');
        $this->save($visit, 'consent', [...$words, 'given' => false], seen: 1)
            ->assertOk()
            ->assertJsonPath('entry.payload.asked_at', '2026-05-04T09:35:00Z');
        $several = [[
            'kind' => 'consent', 'phase' => 'before', 'identity' => null,
            'payload' => ['area' => 'mouth', 'given' => true, 'asked_by' => 'Somebody else'], 'seen' => 0,
        ]];
        $this->postJson("/visits/{$visit->public_id}/entries", ['entries' => $several])
            ->assertOk()
            ->assertJsonPath('entries.0.payload.asked_by', 'Ada Thorn');
        $this->save($visit, 'consent', [...$words, 'said' => str_repeat('x', 501)], seen: 2)->assertUnprocessable();
    }

    public function test_the_case_file_carries_it_and_is_valid(): void
    {
        $visit = $this->visit($this->therapist());
        $this->save($visit, 'consent', ['area' => 'mouth', 'given' => true, 'said' => 'May I?'])->assertOk();
        $document = app(CaseAssembler::class)->document($visit->refresh());

        self::assertSame('Ada Thorn', $document['consent'][0]['asked_by']);
        self::assertSame([], app(Core::class)->schema()->faults(json_decode((string) json_encode($document))));
    }

    public function test_a_guardian_answers_at_each_visit_of_a_minor(): void
    {
        $user = $this->therapist();
        $visit = $this->minorsVisit($user);
        $this->get("/visits/{$visit->public_id}/screen")->assertInertia(
            static fn ($page) => $page->where('client.guardian', 'Orla Reed')->where('safety.verdict', 'defer'),
        );

        $this->save($visit, 'guardian', ['given' => true])->assertUnprocessable();
        $this->save($visit, 'guardian', ['given' => true, 'name' => 'Orla Reed', 'said' => 'Do you agree?'])
            ->assertOk()
            ->assertJsonPath('safety.verdict', 'proceed')
            ->assertJsonPath('entry.payload.asked_by', 'Ada Thorn');
        $this->save($visit, 'guardian', ['given' => false, 'name' => 'Orla Reed'], seen: 1)
            ->assertOk()
            ->assertJsonPath('safety.verdict', 'defer');
        $this->save($visit, 'guardian', ['given' => true, 'name' => 'Orla Reed'], seen: 2)->assertJsonPath('safety.verdict', 'proceed');
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Talked and measured.'])->assertRedirect();

        $this->travel(3)->days();
        $next = $this->visit($user, $visit->client);
        $this->denyEverything($next);
        $this->get("/visits/{$next->public_id}/screen")->assertInertia(static fn ($page) => $page->where('safety.verdict', 'defer'));
    }

    public function test_nobody_of_age_has_a_guardian(): void
    {
        $visit = $this->visit($this->therapist());

        $this->get("/visits/{$visit->public_id}/screen")->assertInertia(static fn ($page) => $page->where('client.guardian', null));
    }

    private function minorsVisit(User $user): Visit
    {
        $client = $this->client($user, 'Ned Reed');
        $client->update(['born_on' => now()->subYears(15)->format('Y-m-d'), 'guardian_name' => 'Orla Reed']);
        $visit = $this->visit($user, $client);
        $this->denyEverything($visit);

        return $visit;
    }
}
