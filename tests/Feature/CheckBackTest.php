<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\SendCheckBacks;
use App\Models\CheckIn;
use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
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
        $response = $this->get("/clients/{$client->public_id}")->assertOk()->inertiaProps()['response'];
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

    public function test_who_agrees_is_asked_by_mail_a_day_and_two_days_after_and_no_more_once_they_answered(): void
    {
        $this->travelTo('2026-03-09 10:00:00');
        [$user, $client, $visit] = $this->ended();
        $visit->update(['stopped_at' => now()]);
        $this->post("/visits/{$visit->public_id}/check-backs/mail")->assertSessionHasErrors('mail');
        $client->update(['email' => 'wilma@reeds.example']);
        $this->post("/visits/{$visit->public_id}/check-backs/mail")->assertSessionHasNoErrors();
        $this->post("/visits/{$visit->public_id}/check-backs/mail")->assertSessionHasNoErrors();
        $this->get("/visits/{$visit->public_id}/after")->assertInertia(static fn (Assert $page) => $page
            ->where('check_back.email', 'wilma@reeds.example')
            ->where('check_back.mails', [
                ['at' => '10 March 2026, 10:00', 'sent' => false], ['at' => '11 March 2026, 10:00', 'sent' => false],
            ]));

        self::assertSame([0, 1, 0], [$this->due('03-10 09:59'), $this->due('03-10 10:00'), $this->due('03-10 10:10')]);
        $mail = DB::table('outbox_mails')->sole();
        self::assertSame('wilma@reeds.example', $mail->to);
        foreach (['neck', 'net', 'Reed', 'pain'] as $word) {
            self::assertStringNotContainsString($word, $mail->subject.$mail->text);
        }
        $link = $this->linkIn($mail->text);
        $this->post($link);
        // still sore, a day after: asked once more; then it is known
        $after = ['soreness_hours' => 24, 'worrying' => ['numb_face']];
        $this->putJson($link, ['answers' => ['after' => $after], 'send' => true])->assertOk();
        self::assertSame(1, $this->due('03-11 10:00'));
        self::assertSame(2, DB::table('outbox_mails')->count());
        $again = $this->linkIn((string) DB::table('outbox_mails')->orderByDesc('id')->value('text'));
        $this->post($again);
        $this->putJson($again, ['answers' => ['after' => ['soreness_hours' => 30, 'pain' => 3]], 'send' => true])->assertOk();

        $entry = $this->begun($client, $user)->entries()->where('kind', 'aftermath')->sole();
        self::assertEquals(['hours' => 48, 'soreness_hours' => 30, 'pain' => 3, 'worrying' => ['numb_face']], $entry->payload);
    }

    #[TestWith(['nothing was answered yet', null, 2])]
    #[TestWith(['answered, and all was over', ['soreness_hours' => 5], 1])]
    #[TestWith(['answered, and it was never sore', ['worse' => false], 1])]
    public function test_the_second_mail_goes_where_something_is_open(string $case, ?array $after, int $mails): void
    {
        [, , $visit] = $this->askedByMail();
        $this->due('03-10 10:00');
        if ($after !== null) {
            $link = $this->linkIn((string) DB::table('outbox_mails')->value('text'));
            $this->post($link);
            $this->putJson($link, ['answers' => ['after' => $after], 'send' => true])->assertOk();
        }
        $this->due('03-11 10:00');

        self::assertSame($mails, DB::table('outbox_mails')->count(), $case);
    }

    #[TestWith(['begun'])]
    #[TestWith(['answering'])]
    #[TestWith(['erased'])]
    #[TestWith(['called off'])]
    #[TestWith(['long ago'])]
    public function test_nobody_is_asked_who_is_answering_or_back_or_does_not_wish_it(string $why): void
    {
        [$user, $client, $visit] = $this->askedByMail();
        if ($why === 'begun') {
            $this->begun($client, $user);
        } elseif ($why === 'answering') {
            $this->post($this->askedBack($visit));
        } elseif ($why === 'erased') {
            $client->update(['erased_at' => now(), 'email' => null]);
        } elseif ($why === 'called off') {
            $this->delete("/visits/{$visit->public_id}/check-backs/mail");
        }
        $this->due($why === 'long ago' ? '03-12 11:00' : '03-10 10:00');

        self::assertSame(0, DB::table('outbox_mails')->count());
        $this->travelTo('2026-03-20 10:00:00');
        $this->actingAs($user)->post("/visits/{$visit->public_id}/check-backs/mail")
            ->assertSessionHasErrors('mail');
    }

    /** @return array{User, Client, Visit} */
    private function askedByMail(): array
    {
        $this->travelTo('2026-03-09 10:00:00');
        [$user, $client, $visit] = $this->ended();
        $visit->update(['stopped_at' => now()]);
        $client->update(['email' => 'wilma@reeds.example']);
        $this->post("/visits/{$visit->public_id}/check-backs/mail")->assertSessionHasNoErrors();

        return [$user, $client, $visit];
    }

    /** The clock has come so far: how many are sent. */
    private function due(string $at): int
    {
        $this->travelTo("2026-$at:00");

        return app(SendCheckBacks::class)->handle(CarbonImmutable::now());
    }

    private function linkIn(string $text): string
    {
        self::assertSame(1, preg_match('#https?://\S+(/check-in/\S+)#', $text, $found), $text);

        return $found[1];
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
