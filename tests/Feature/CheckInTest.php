<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CheckIn;
use App\Models\Client;
use App\Models\Role;
use App\Models\User;
use Illuminate\Testing\TestResponse;
use Inertia\Testing\AssertableInertia as Assert;
use PHPUnit\Framework\Attributes\DataProvider;
use Somatrace\Core\Clinic as Core;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

final class CheckInTest extends TestCase
{
    public function test_nothing_is_told_before_it_is_opened_and_then_only_the_first_name(): void
    {
        [, $given] = $this->handedOut();

        $this->page($given['link'])
            ->assertOk()
            ->assertDontSee('Wilma')
            ->assertInertia(
                static fn (Assert $page) => $page->component('CheckIn/Begin')->missing('name')->missing('answers')->where('user', null),
            );
        $this->post($given['link'])->assertRedirect($given['link']);
        $this->page($given['link'])
            ->assertDontSee('Reed')
            ->assertInertia(static fn (Assert $page) => $page->component('CheckIn/Questions')->where('name', 'Wilma'));
    }

    public function test_it_is_kept_resumed_sent_once_and_taken_into_the_record(): void
    {
        [$user, $given, $client] = $this->handedOut();
        $answers = $this->everything([
            'flags' => ['fever_or_infection_today' => 'yes'], 'conditions' => ['diabetes' => 'yes'],
            'details' => ['diabetes' => ['severity' => 'mild', 'stage' => 'settled']],
            'complaints' => [['zone' => 'neck_back', 'side' => 'left', 'now' => 6]],
        ]);
        $this->post($given['link']);
        $this->putJson($given['link'], ['answers' => $answers])->assertOk();
        $this->page($given['link'])->assertInertia(
            static fn (Assert $page) => $page->where('answers.flags.fever_or_infection_today', 'yes'),
        );
        $this->putJson($given['link'], ['answers' => $answers, 'send' => true])->assertOk();
        $this->putJson($given['link'], ['answers' => [], 'send' => true])->assertStatus(410);
        $this->page($given['link'])
            ->assertStatus(410)
            ->assertInertia(static fn (Assert $page) => $page->component('CheckIn/Closed')->where('why', 'sent')->missing('name'));

        $visit = $this->visit($user, $client);
        $this->get("/visits/{$visit->public_id}/screen")->assertInertia(
            static fn (Assert $page) => $page
                ->where('check_in.taken', false)
                ->where('check_in.raised.0.answer', 'yes')
                ->count('check_in.raised', 2),
        );
        $this->post("/visits/{$visit->public_id}/check-in")->assertRedirect();

        $this->get("/visits/{$visit->public_id}/screen")->assertInertia(
            static fn (Assert $page) => $page
                ->where('check_in.taken', true)
                ->where('safety.verdict', 'defer')
                ->where(
                    'safety.questions',
                    static fn ($asked): bool => collect($asked)->every(static fn (array $one): bool => ! $one['blocks']),
                ),
        );
        self::assertSame(1, $visit->entries()->where('kind', 'complaint')->count());
        $this->post("/visits/{$visit->public_id}/check-in")->assertNotFound();
    }

    public function test_who_was_here_is_asked_how_it_was_afterwards_and_what_was_done_at_home(): void
    {
        $this->travelTo('2026-03-09 09:00:00');
        $user = $this->therapist();
        $client = $this->client($user);
        $first = $this->visit($user, $client);
        $this->denyEverything($first);
        $this->recordNeck($first);
        $this->save($first, 'home_care', ['exercise' => 'shrug_drop', 'side' => 'left', 'dose' => '4 times'])->assertOk();
        $this->post("/visits/{$first->public_id}/sign", ['happened' => 'Worked.'])->assertSessionHasNoErrors();
        $this->travelTo('2026-03-16 08:00:00');
        $given = $this->actingAs($user)->post("/clients/{$client->public_id}/check-ins")->assertRedirect()->getSession()?->get('check_in');
        $link = (string) parse_url((string) $given['link'], PHP_URL_PATH);
        $this->app['auth']->forgetUser();
        $this->flushSession();

        $this->page($link)->assertInertia(static fn (Assert $page) => $page->missing('last'));
        $this->post($link);
        $this->page($link)->assertInertia(static fn (Assert $page) => $page
            ->where('last.date', '2026-03-09')
            ->where('last.home_care.0.exercise', 'shrug_drop')
            ->where('last.home_care.0.dose', '4 times'));
        $after = ['soreness_hours' => 36, 'worse' => false, 'home_care_done' => 0.5];
        $this->putJson($link, ['answers' => $this->everything(['after' => $after]), 'send' => true])->assertOk();

        $second = $this->visit($user, $client);
        $this->post("/visits/{$second->public_id}/check-in")->assertRedirect();
        self::assertEquals(
            ['hours' => 48, ...$after], $second->entries()->where('kind', 'aftermath')->firstOrFail()->payload,
        );
    }

    public function test_what_was_not_shown_is_not_denied_and_what_the_therapist_wrote_stands(): void
    {
        [$user, $given, $client] = $this->handedOut();
        $this->post($given['link']);
        $this->putJson($given['link'], ['answers' => ['done' => ['today'], 'flags' => ['numb_face' => 'unknown']], 'send' => true])
            ->assertOk();
        $visit = $this->visit($user, $client);
        $this->save($visit, 'red_flag', 'yes', 'saddle_numbness')->assertOk();
        $this->post("/visits/{$visit->public_id}/check-in")->assertRedirect();

        $flags = $visit->entries()->where('kind', 'red_flag')->get()->pluck('payload', 'identity');
        self::assertSame('yes', $flags['saddle_numbness'], 'written by hand before');
        self::assertSame('no', $flags['both_legs_weak'], 'shown and left alone');
        self::assertSame('unknown', $flags['numb_face']);
        self::assertArrayNotHasKey('weight_loss_unexplained', $flags, 'never shown');
        self::assertSame(
            ['red_flags_every_visit'], $visit->entries()->where('kind', 'group_asked')->pluck('identity')->all(),
            'read to its end, and no other',
        );
    }

    /** @param  callable(self, string): string  $how */
    #[DataProvider('troubles')]
    public function test_a_link_that_does_not_work_says_so_plainly_and_tells_nothing(callable $how, string $why, int $status): void
    {
        [, $given] = $this->handedOut();
        $link = $how($this, $given['link']);

        $this->page($link)
            ->assertStatus($status)
            ->assertDontSee('Wilma')
            ->assertInertia(
                static fn (Assert $page) => $page->component('CheckIn/Closed')->where('why', $why)->missing('name')->missing('answers'),
            );
        $this->putJson($link, ['answers' => []])->assertStatus($status)->assertExactJson(['why' => $why]);
    }

    /** @return iterable<string, array{callable(self, string): string, string, int}> */
    public static function troubles(): iterable
    {
        yield 'guessed' => [static fn (self $test, string $link): string => '/check-in/'.str_repeat('a', 43), 'invalid', 404];
        yield 'altered' => [
            static fn (self $test, string $link): string => substr($link, 0, -1).(str_ends_with($link, 'x') ? 'y' : 'x'), 'invalid', 404,
        ];
        yield 'expired' => [static function (self $test, string $link): string {
            $test->travel(25)->hours();

            return $link;
        }, 'expired', 410];
        yield 'replaced by a newer one' => [static function (self $test, string $link): string {
            $client = Client::query()->firstOrFail();
            $test->actingAs(User::query()->firstOrFail())->post("/clients/{$client->public_id}/check-ins");
            $test->app['auth']->forgetUser();
            $test->travel(1)->seconds();

            return $link;
        }, 'expired', 410];
        yield 'opened on another device' => [static function (self $test, string $link): string {
            $test->post($link);
            $test->flushSession();

            return $link;
        }, 'elsewhere', 410];
    }

    public function test_a_code_opens_the_same_once_and_wrong_ones_lock_that_address_only(): void
    {
        [, $given] = $this->handedOut();
        $code = strtolower($given['code']);
        foreach (range(1, 6) as $try) {
            $this->post('/check-in', ['code' => "WRONG-00$try"])->assertSessionHasErrors('code');
        }
        $this->post('/check-in', ['code' => $code])->assertSessionHasErrors([
            'code' => 'Too many wrong codes from here. Wait 15 minutes, or ask at reception.',
        ]);

        $elsewhere = $this->withServerVariables(['REMOTE_ADDR' => '198.51.100.7'])
            ->post('/check-in', ['code' => $code])
            ->assertSessionHasNoErrors();
        $link = (string) $elsewhere->headers->get('Location');
        $this->page($link)->assertOk();
        $this->page($given['link'])->assertNotFound();
        $this->travel(16)->minutes();
        $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])
            ->post('/check-in', ['code' => 'nothing'])
            ->assertSessionHasErrors(['code' => 'This code does not open anything. Look at it again, or ask for a new one.']);
    }

    /** @param  array<string, mixed>  $answers */
    #[DataProvider('nonsense')]
    public function test_answers_that_cannot_be_are_refused_and_nothing_changes(array $answers): void
    {
        [, $given] = $this->handedOut();
        $this->post($given['link']);
        $this->putJson($given['link'], ['answers' => ['done' => ['today']]])->assertOk();

        $this->putJson($given['link'], ['answers' => $answers, 'send' => true])->assertUnprocessable();
        $kept = CheckIn::query()->firstOrFail();
        self::assertSame(['done' => ['today']], $kept->answers);
        self::assertNull($kept->sent_at);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function nonsense(): iterable
    {
        yield 'an unknown flag' => [['flags' => ['toothache' => 'yes']]];
        yield 'an answer of another kind' => [['flags' => ['numb_face' => 'no']]];
        yield 'a place that is none' => [['complaints' => [['zone' => 'tail', 'side' => 'left', 'now' => 3]]]];
        yield 'a strength beyond the scale' => [['complaints' => [['zone' => 'neck_back', 'side' => 'left', 'now' => 30]]]];
        yield 'an override' => [['overrides' => [['verdict' => 'refer']]]];
        yield 'a detail of nothing' => [['details' => ['diabetes' => ['severity' => 'terrible']]]];
        yield 'too many places' => [[
            'complaints' => array_map(static fn (int $n): array => ['zone' => 'neck_back', 'side' => 'left', 'now' => 1], range(1, 13)),
        ]];
        yield 'a group that is none' => [['done' => ['everything']]];
    }

    public function test_reception_hands_it_out_but_takes_nothing_over_and_strangers_neither(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $this->actingAs($this->therapist($user->clinic, Role::Reception))
            ->post("/clients/{$client->public_id}/check-ins")
            ->assertRedirect();
        $visit = $this->visit($user, $client);
        $this->actingAs($this->therapist($user->clinic, Role::Reception))->post("/visits/{$visit->public_id}/check-in")->assertForbidden();
        $this->actingAs($this->therapist())->post("/clients/{$client->public_id}/check-ins")->assertForbidden();
        $this->actingAs($this->therapist())->post("/visits/{$visit->public_id}/check-in")->assertForbidden();
    }

    /** @return array{User, array{link: string, code: string}, Client} */
    private function handedOut(): array
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $given = $this->actingAs($user)->post("/clients/{$client->public_id}/check-ins")->assertRedirect()->getSession()?->get('check_in');
        self::assertIsArray($given);
        $this->app['auth']->forgetUser();
        $this->flushSession();

        return [$user, ['link' => (string) parse_url((string) $given['link'], PHP_URL_PATH), 'code' => (string) $given['code']], $client];
    }

    /** @return TestResponse<Response> */
    private function page(string $link): TestResponse
    {
        return $this->get($link);
    }

    /**
     * @param  array<string, mixed>  $answers
     * @return array<string, mixed>
     */
    private function everything(array $answers): array
    {
        return [...$answers, 'done' => ['today', 'lately', ...array_keys(app(Core::class)->rules()->groups), 'medicines']];
    }
}
