<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Inertia\Testing\AssertableInertia as Assert;
use Tests\TestCase;

final class LetterTest extends TestCase
{
    public function test_the_draft_says_why_how_soon_what_was_found_and_what_happened(): void
    {
        $this->travelTo('2026-11-25 10:00:00');
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        foreach ([6, 6] as $minutes) {
            $this->travel($minutes)->minutes();
            $this->postJson('/touched')->assertOk();
        }
        $this->tell($visit, $this->happening('sign', ['sign' => 'dizzy']))->assertOk();
        $this->tell($visit, $this->happening('sign', ['sign' => 'numb'], '2031-01-01T03:04:05Z'))->assertOk();
        $this->save($visit, 'red_flag', 'yes', 'numb_face', 1)->assertJsonPath('safety.verdict', 'refer');

        $told = static function (string $draft): bool {
            foreach (
                [
                    'To the doctor of Wilma Reed, born 1 April 1985', 'should be seen today', 'do not diagnose',
                    'Pain in the back of the neck on the left: 6 of 10 now', 'numbness of the face',
                    'left 70°, right 48° (usual 75°); right 22° short of left; pain 3 of 10 on the right', 'dizzy at 10:12',
                    'numb at 10:12 (the tablet’s clock was off)', 'Quay Street Rooms',
                ] as $words
            ) {
                self::assertStringContainsString($words, $draft);
            }

            return true;
        };
        $this->get("/visits/{$visit->public_id}/letter")
            ->assertInertia(static fn (Assert $page) => $page->component('Visit/Letter')->where('text', null)->where('draft', $told));
    }

    public function test_of_whom_nobody_sends_on_it_tells_and_asks_for_nothing(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->get("/visits/{$visit->public_id}/letter")->assertInertia(static fn (Assert $page) => $page->where(
            'draft',
            static function (string $draft): bool {
                self::assertStringContainsString('This is what we asked, saw, felt and did.', $draft);
                self::assertStringNotContainsString('should be seen', $draft);
                self::assertStringNotContainsString('Not yet answered', $draft);

                return true;
            },
        ));
    }

    public function test_it_is_changed_kept_and_goes_out_as_pdf_as_it_stands(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->save($visit, 'text', "Dear colleague,\n\nplease look at <b>Ms Reed</b>.", 'letter', step: 'after')->assertOk();

        $this->get("/visits/{$visit->public_id}/letter")->assertInertia(
            static fn (Assert $page) => $page->where('text', "Dear colleague,\n\nplease look at <b>Ms Reed</b>.")->where('revision', 1),
        );
        $answer = $this->get("/visits/{$visit->public_id}/letter.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        self::assertStringStartsWith('%PDF-', (string) $answer->getContent());
        self::assertStringNotContainsString('Reed', (string) $answer->headers->get('Content-Disposition'), 'no name in a file name');
        $this->save($visit, 'text', str_repeat('x', 5001), 'letter', 1)->assertUnprocessable();
    }

    public function test_reception_and_strangers_read_no_letter(): void
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        foreach ([$this->therapist($user->clinic, Role::Reception), $this->therapist()] as $other) {
            $this->actingAs($other)->get("/visits/{$visit->public_id}/letter")->assertForbidden();
            $this->actingAs($other)->get("/visits/{$visit->public_id}/letter.pdf")->assertForbidden();
        }
    }
}
