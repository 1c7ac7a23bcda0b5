<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CheckIn;
use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Inertia\Testing\AssertableInertia as Assert;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

/** How it was after a visit, said by the client in between: kept apart until the next begins, and on top of Today where it worries. */
final class CheckBackTest extends TestCase
{
    public function test_it_is_asked_once_the_visit_has_ended_answered_once_and_stands_in_the_next_visit(): void
    {
        [$user, $client, $visit] = $this->ended();
        $link = $this->askedBack($visit);
        $this->get($link)->assertInertia(static fn (Assert $page) => $page->component('CheckIn/Begin')->missing('last'));
        $this->post($link);
        $this->get($link)->assertInertia(static fn (Assert $page) => $page->component('CheckIn/Back')
            ->where('last.date', $visit->day())->where('last.tasks', ['tie the net'])->where('last.home_care.0.exercise', 'shrug_drop'));
        $this->putJson($link, ['answers' => ['flags' => ['numb_face' => 'yes']]])->assertUnprocessable();
        $this->putJson($link, ['answers' => ['after' => ['soreness_hours' => 900]]])->assertUnprocessable();
        $after = [
            'soreness_hours' => 12, 'worse' => false, 'pain' => 4, 'home_care_done' => 0.5,
            'function' => [['task' => 'tie the net', 'score' => 6]],
        ];
        $this->putJson($link, ['answers' => ['after' => $after], 'send' => true])->assertOk();
        $this->get($link)->assertStatus(410)->assertInertia(
            static fn (Assert $page) => $page->component('CheckIn/Closed')->where('why', 'sent')->where('after', true),
        );
        $this->get('/')->assertInertia(static fn (Assert $page) => $page->where('thoughts', []));

        $next = $this->begun($client, $user);
        $entry = $next->entries()->where('kind', 'aftermath')->sole();
        self::assertEquals(['hours' => 48, ...$after], $entry->payload);
        self::assertSame(now()->toDateString(), (string) $entry->said_on);
        self::assertSame($next->id, CheckIn::query()->sole()->visit_id);
        $this->get("/visits/{$next->public_id}/ask")->assertOk()->assertInertia(
            static fn (Assert $page) => $page->where('check_in', null),
        );
        $response = $this->get("/clients/{$client->public_id}")->assertOk()->viewData('page')['props']['response'];
        self::assertEquals([12, false, 0.5], [
            $response['visits'][0]['sore_hours'], $response['visits'][0]['worse'], $response['visits'][0]['home_care'],
        ]);
    }

    #[TestWith([['worrying' => ['numb_face'], 'worse' => true], 'worrying', 'Ring today.'])]
    #[TestWith([['worse' => true], 'sore', 'It was worse after the last visit.'])]
    #[TestWith([['soreness_hours' => 72], 'sore', 'Sore for longer than two days.'])]
    public function test_what_should_not_wait_stands_on_top_of_today_until_the_next_visit(array $after, string $kind, string $words): void
    {
        [$user, $client, $visit] = $this->ended();
        $this->answered($visit, $after);

        $this->get('/')->assertInertia(static fn (Assert $page) => $page->where('thoughts.0.kind', $kind)
            ->where('thoughts.0.id', $client->public_id)
            ->where('thoughts.0.text', static fn (string $text): bool => str_contains($text, $words)));
        $this->begun($client, $user);
        $this->get('/')->assertInertia(static fn (Assert $page) => $page->where(
            'thoughts', static fn ($all): bool => ! in_array($kind, array_column(collect($all)->all(), 'kind'), true),
        ));
    }

    public function test_what_worries_sends_the_course_on(): void
    {
        [$user, $client, $visit] = $this->ended();
        $this->answered($visit, ['worrying' => ['numb_face']]);
        $next = $this->begun($client, $user);

        $this->get("/visits/{$next->public_id}/ask")->assertInertia(
            static fn (Assert $page) => $page->where('response.course.decision', 'refer'),
        );
    }

    public function test_of_an_older_visit_nothing_is_taken_up_and_an_open_one_is_not_asked_about(): void
    {
        [$user, $client, $visit] = $this->ended();
        $second = $this->begun($client, $user);
        $this->post("/visits/{$second->public_id}/check-backs")->assertConflict();
        $second->update(['status' => VisitStatus::Stopped]);
        $this->answered($visit, ['worse' => true]);

        self::assertSame(0, $this->begun($client, $user)->entries()->where('kind', 'aftermath')->count());
    }

    public function test_a_check_in_handed_out_beside_it_still_works_and_is_not_taken_for_it(): void
    {
        [$user, $client, $visit] = $this->ended();
        $back = $this->askedBack($visit);
        $this->post("/clients/{$client->public_id}/check-ins");
        $in = (string) parse_url((string) session('check_in')['link'], PHP_URL_PATH);
        foreach ([[$back, 'CheckIn/Back'], [$in, 'CheckIn/Questions']] as [$link, $component]) {
            $this->post($link);
            $this->get($link)->assertInertia(static fn (Assert $page) => $page->component($component));
        }
        $this->putJson($back, ['answers' => ['after' => ['worse' => false]], 'send' => true])->assertOk();
        $next = $this->begun($client, $user);
        $this->post("/visits/{$next->public_id}/check-in")->assertNotFound();
    }

    /** @return array{User, Client, Visit} a visit that was stopped */
    private function ended(): array
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $visit = $this->visit($user, $client);
        foreach ([
            ['function', 'tie the net', ['task' => 'tie the net', 'score' => 4]], ['home_care', 'shrug_drop', ['exercise' => 'shrug_drop']],
        ] as [$kind, $identity, $payload]) {
            $this->putJson("/visits/{$visit->public_id}/entries", [
                'kind' => $kind, 'phase' => 'before', 'identity' => $identity, 'payload' => $payload, 'seen' => 0,
            ])->assertOk();
        }
        $visit->update(['status' => VisitStatus::Stopped]);

        return [$user, $client, $visit];
    }

    private function askedBack(Visit $visit): string
    {
        $this->post("/visits/{$visit->public_id}/check-backs")->assertRedirect();

        return (string) parse_url((string) session('check_in')['link'], PHP_URL_PATH);
    }

    /** @param  array<string, mixed>  $after */
    private function answered(Visit $visit, array $after): void
    {
        $link = $this->askedBack($visit);
        $this->post($link);
        $this->putJson($link, ['answers' => ['after' => $after], 'send' => true])->assertOk();
    }

    private function begun(Client $client, User $user): Visit
    {
        $this->post("/clients/{$client->public_id}/visits", ['key' => (string) str()->ulid()])->assertRedirect();

        return $client->visits()->latest('number')->firstOrFail();
    }
}
