<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Visit;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** What is given for home: proposed for what was worked, handed out on a touch, in the note and on a sheet to take along. */
final class HomeCareTest extends TestCase
{
    public function test_nothing_is_given_until_somebody_gives_it(): void
    {
        $visit = $this->worked();
        $page = $this->get("/visits/{$visit->public_id}/after")->assertOk()->inertiaProps();

        self::assertSame(['shrug_drop'], array_column($page['home'], 'exercise'));
        self::assertStringContainsString('levator scapulae', $page['home'][0]['because']);
        self::assertNotContains('home_care', array_column($page['note']['parts'], 'id'));
        self::assertSame([], $this->sheet($visit)['given']);
    }

    public function test_what_is_handed_out_stands_in_the_note_and_on_the_sheet_with_the_dose_that_was_agreed(): void
    {
        $visit = $this->worked();
        $this->save($visit, 'home_care', ['exercise' => 'shrug_drop', 'side' => 'left'])->assertOk();
        $this->save($visit, 'home_care', ['exercise' => 'jaw_rest', 'dose' => 'three breaths'])->assertOk();

        $parts = array_column($this->get("/visits/{$visit->public_id}/after")->inertiaProps()['note']['parts'], null, 'id');
        self::assertSame(
            ['Tongue up, teeth apart: three breaths, every time a door opens.', 'Shrug and drop, left: 6 times, every hour at work.'],
            array_column($parts['home_care']['sentences'], 'text'),
        );
        $given = $this->sheet($visit)['given'];
        self::assertSame([['Tongue up, teeth apart', 'three breaths'], ['Shrug and drop', '6 times']], array_map(
            static fn (array $one): array => [$one['name'], $one['dose']], $given,
        ));
        self::assertSame(['', 'Smaller if it hurts; stop if it tingles.'], array_column($given, 'stop'));
        $pdf = (string) $this->get("/visits/{$visit->public_id}/home-care.pdf")->assertOk()->getContent();
        self::assertStringStartsWith('%PDF', $pdf);

        $this->post("/visits/{$visit->public_id}/sign", [])->assertSessionHasNoErrors();
        DB::table('entries')->where('kind', 'home_care')->delete();
        $text = json_encode($this->get("/visits/{$visit->public_id}/note")->inertiaProps()['note'], JSON_THROW_ON_ERROR);
        self::assertStringContainsString('Tongue up, teeth apart: three breaths', $text, 'frozen with the note');
    }

    public function test_what_nobody_knows_is_refused(): void
    {
        $visit = $this->worked();

        $this->save($visit, 'home_care', ['exercise' => 'cartwheel'])->assertUnprocessable();
        $this->save($visit, 'home_care', ['exercise' => 'jaw_rest', 'dose' => str_repeat('x', 121)])->assertUnprocessable();
    }

    public function test_what_was_given_last_time_and_done_stands_first_and_is_shown_where_it_is_asked_for(): void
    {
        $visit = $this->worked();
        $this->save($visit, 'home_care', ['exercise' => 'shrug_drop', 'side' => 'left'])->assertOk();
        $this->post("/visits/{$visit->public_id}/sign", [])->assertSessionHasNoErrors();
        $next = $this->visit($visit->user, $visit->client);

        $before = $this->get("/visits/{$next->public_id}/ask")->assertOk()->inertiaProps()['before'];
        self::assertSame(['shrug_drop'], array_column($before['home_care'], 'exercise'));
    }

    public function test_it_goes_along_as_a_calendar_that_names_nobody_until_the_next_visit(): void
    {
        $this->travelTo('2026-03-09 09:00:00');
        $visit = $this->worked();
        $this->save($visit, 'home_care', ['exercise' => 'head_turn_tuck', 'side' => 'left'])->assertOk();
        $this->save($visit, 'home_care', ['exercise' => 'shrug_drop', 'dose' => '4 times', 'how_often' => 'whenever the kettle boils'])
            ->assertOk();
        $this->post("/clients/{$visit->client->public_id}/appointments", ['day' => '2026-03-16', 'time' => '10:15', 'minutes' => 60])
            ->assertSessionHasNoErrors();

        $answer = $this->get("/visits/{$visit->public_id}/home-care.ics")->assertOk();
        self::assertStringStartsWith('text/calendar', (string) $answer->headers->get('Content-Type'));
        $text = str_replace("\r\n ", '', (string) $answer->getContent());
        $lines = static fn (string $name): array => array_values(preg_grep("/^$name/", explode("\r\n", $text)) ?: []);

        self::assertSame([
            'DTSTART:20260310T080000', 'DTSTART:20260310T190000', 'DTSTART;VALUE=DATE:20260310',
        ], $lines('DTSTART'), 'twice a day at its times, and what has none over the whole day, from the day after');
        self::assertSame([
            'RRULE:FREQ=DAILY;INTERVAL=1;UNTIL=20260316T235959', 'RRULE:FREQ=DAILY;INTERVAL=1;UNTIL=20260316T235959',
            'RRULE:FREQ=DAILY;INTERVAL=1;UNTIL=20260316',
        ], $lines('RRULE'), 'until the visit that is booked');
        self::assertStringContainsString('SUMMARY:Shrug and drop: 4 times', $text);
        self::assertStringContainsString('Chin back\\, then turn\\, left', $text);
        self::assertCount(3, array_unique($lines('UID')));
        foreach ([$visit->client->name, $visit->client->code, 'neck', 'levator'] as $private) {
            self::assertStringNotContainsStringIgnoringCase($private, $text);
        }
    }

    private function worked(): Visit
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $this->tell(
            $visit, $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']),
            $this->happening('pass_reached', ['pressure' => 4, 'seconds' => 60, 'tissue_kpa' => 100]),
            $this->happening('step_done', ['seconds' => 180]),
        )->assertOk();

        return $visit;
    }

    /** @return array<string, mixed> */
    private function sheet(Visit $visit): array
    {
        return $this->get("/visits/{$visit->public_id}/home-care")->assertOk()->inertiaProps();
    }
}
