<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\NoteHash;
use App\Models\Note;
use App\Models\Role;
use App\Models\Visit;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;
use Somatrace\Core\Clinic;
use Tests\TestCase;

final class NoteTest extends TestCase
{
    public function test_it_is_composed_from_the_record_sentence_by_sentence(): void
    {
        $visit = $this->signed();

        $page = $this->get("/visits/{$visit->public_id}/note")->assertOk()->inertiaProps();
        $parts = array_column($page['note']['parts'], null, 'id');

        self::assertSame(['reason', 'safety', 'found', 'reasoning', 'done', 'next'], array_keys($parts));
        self::assertSame('Pain in the back of the neck on the left: 6 of 10 now.', $parts['reason']['sentences'][0]['text']);
        self::assertSame([
            'Left levator scapulae: tenderness 3 of 4, tone raised, a taut band, pressing it is the client’s own pain; an active trigger point.',
            'Turning the head (cervical rotation): left 70°, right 48° (usual 75°); right 22° short of left; pain 3 of 10 on the right.',
        ], array_column($parts['found']['sentences'], 'text'));
        self::assertSame(
            [['step' => 'feel', 'name' => 'Levator scapulae, left']], $parts['found']['sentences'][0]['sources'], 'where it was read',
        );
        self::assertEquals(['done' => 'Levator left, up to 5. It softened.', 'home_care' => 'Walk.'], $page['own']);
    }

    public function test_a_sentence_changed_by_hand_stands_until_its_facts_change_and_is_then_asked_about(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $turning = fn (): array => $this->sentence($this->get("/visits/{$visit->public_id}/after"), 'found.range.cervical.rotation');
        $composed = $turning()['text'];
        $this->save($visit, 'sentence', [
            'sentence' => 'found.range.cervical.rotation', 'text' => 'Turns right half as far as left.', 'from' => $composed,
        ])->assertOk();

        self::assertSame(
            ['Turns right half as far as left.', $composed, false],
            [$turning()['text'], $turning()['composed'], $turning()['stale']],
        );

        $this->save($visit, 'palpation', ['muscle' => 'soleus', 'side' => 'left', 'tenderness' => 1])->assertOk();
        self::assertFalse($turning()['stale'], 'another fact');

        $this->save(
            $visit, 'range', ['movement' => 'cervical.rotation', 'side' => 'right', 'active' => 30, 'pain' => 3], seen: 1,
        )->assertOk();
        self::assertSame(['Turns right half as far as left.', true], [$turning()['text'], $turning()['stale']]);
        self::assertStringContainsString('right 30°', $turning()['composed']);
    }

    public function test_a_sentence_that_was_left_out_is_not_signed_and_one_about_nothing_is_not_lost(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->save($visit, 'sentence', ['sentence' => 'reasoning.chain', 'from' => 'x'])->assertOk();
        $this->save($visit, 'sentence', ['sentence' => 'found.palpation.masseter.left', 'text' => 'Masseter like wood.', 'from' => 'x'])
            ->assertOk();

        $note = $this->get("/visits/{$visit->public_id}/after")->inertiaProps()['note'];
        self::assertSame([['id' => 'found.palpation.masseter.left', 'text' => 'Masseter like wood.']], $note['gone']);

        $this->post("/visits/{$visit->public_id}/sign", [])->assertSessionHasNoErrors();
        $text = json_encode(Note::query()->firstOrFail()->results['note'], JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString('reasoning.chain', $text);
        self::assertStringNotContainsString('Masseter', $text);
    }

    public function test_a_correction_shows_word_by_word_what_it_changed(): void
    {
        $visit = $this->signed();
        $this->post("/visits/{$visit->public_id}/correct", [
            'happened' => 'Levator left, up to 6. It softened.', 'advice' => 'Walk.', 'reason' => 'It was six, not five.',
            'sentences' => [
                ['id' => 'reason.complaint.neck_back:left', 'text' => 'Pain in the back of the neck on the left: 7 of 10 now.'],
            ],
        ])->assertSessionHasNoErrors();

        $page = $this->get("/visits/{$visit->public_id}/note")->assertOk()->inertiaProps();
        $revisions = $page['revisions'];

        self::assertSame([2, 1], array_column($revisions, 'revision'));
        self::assertSame(['Reason', 'Treatment'], array_column($revisions[0]['changed'], 'heading'));
        self::assertSame(
            [['same', 'Levator left, up to '], ['removed', '5. '], ['added', '6. '], ['same', 'It softened.']],
            array_map(static fn (array $piece): array => [$piece['kind'], $piece['text']], $revisions[0]['changed'][1]['pieces']),
        );
        self::assertSame([], $revisions[1]['changed']);
        self::assertSame('Pain in the back of the neck on the left: 7 of 10 now.', $page['note']['parts'][0]['sentences'][0]['text']);
        self::assertStringContainsString(
            '6 of 10', json_encode(
                Note::query()->where('revision', 1)->firstOrFail()->results['note'], JSON_THROW_ON_ERROR,
            ), 'as it was signed',
        );
        self::assertSame(
            ['It was six, not five.', 'Ada Thorn', app(Clinic::class)->atlas()->version],
            [$revisions[0]['reason'], $revisions[0]['by'], $revisions[0]['atlas']],
        );
    }

    public function test_the_note_is_read_from_what_was_frozen(): void
    {
        $visit = $this->signed();
        DB::table('entries')->where('kind', 'palpation')->update([
            'payload' => json_encode(['muscle' => 'soleus', 'side' => 'left', 'tenderness' => 1]),
        ]);

        $found = $this->sentence($this->get("/visits/{$visit->public_id}/note"), 'found.palpation.levator_scapulae.left');

        self::assertStringStartsWith('Left levator scapulae: tenderness 3 of 4', $found['text']);
    }

    public function test_a_note_signed_before_notes_were_composed_is_composed_of_what_was_frozen_with_it(): void
    {
        $visit = $this->signed();
        DB::statement('drop trigger notes_stay_as_signed');
        $results = Note::query()->firstOrFail()->results;
        DB::table('notes')->update(['results' => json_encode([
            ...array_diff_key($results, ['note' => true]),
            'done' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 4, 'max_pressure' => 5, 'signs' => ['softened']]],
        ])]);

        $page = $this->get("/visits/{$visit->public_id}/note")->assertOk();

        self::assertStringStartsWith('Pain in the back of the neck', $this->sentence($page, 'reason.complaint.neck_back:left')['text']);
        self::assertSame('Left levator scapulae: pressure 5 of 10; 4 min; it softened.', $this->sentence($page, 'done.told:0')['text']);
    }

    public function test_dates_units_and_words_are_the_clinics(): void
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        $this->recordNeck($visit);
        $this->save($visit, 'complaint', ['zone' => 'temple', 'side' => 'left', 'now' => 2, 'since' => '2026-03-09'])->assertOk();
        $this->save($visit, 'palpation', ['muscle' => 'soleus', 'side' => 'left', 'tenderness' => 2, 'ppt_kpa' => 294.2])->assertOk();
        $user->clinic->update(['settings' => ['date_form' => 'iso', 'note_words' => 'clinical', 'pressure_unit' => 'kg/cm²']]);

        $page = $this->get("/visits/{$visit->public_id}/after")->assertOk();

        self::assertStringContainsString('since 2026-03-09', $this->sentence($page, 'reason.complaint.temple:left')['text']);
        self::assertStringStartsWith('Cervical rotation: left 70°', $this->sentence($page, 'found.range.cervical.rotation')['text']);
        self::assertStringContainsString('threshold 3 kg/cm²', $this->sentence($page, 'found.palpation.soleus.left')['text']);
    }

    public function test_it_goes_to_paper_with_the_figure(): void
    {
        $visit = $this->signed();

        $pdf = (string) $this
            ->get("/visits/{$visit->public_id}/note.pdf")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf')
            ->getContent();

        self::assertStringStartsWith('%PDF', $pdf);
        self::assertGreaterThan(40_000, strlen($pdf), 'the picture of a body takes room');
        self::assertSame(1, preg_match_all('#/Type /Page\b#', $pdf), 'one page');
        preg_match_all('#/BaseFont /(?:[A-Z]+\+)?([A-Za-z-]+)#', $pdf, $fonts);
        self::assertSame(['AtkinsonHyperlegibleNext-Regular', 'Piazzolla-SemiBold'], self::sorted($fonts[1]));
    }

    public function test_a_visit_that_is_not_signed_has_none(): void
    {
        $visit = $this->visit($this->therapist());

        $this->get("/visits/{$visit->public_id}/note")->assertNotFound();
        $this->get("/visits/{$visit->public_id}/note.pdf")->assertNotFound();
    }

    #[TestWith(['update notes set happened = \'nothing\''])]
    #[TestWith(['update notes set results = \'{}\''])]
    #[TestWith(['update notes set content_hash = \'\''])]
    #[TestWith(['delete from notes'])]
    public function test_the_database_itself_freezes_it(string $statement): void
    {
        $this->signed();

        $this->expectException(QueryException::class);
        $this->expectExceptionMessage('a signed note is never');
        DB::statement($statement);
    }

    public function test_it_carries_a_hash_of_itself_that_a_second_name_leaves_alone(): void
    {
        $student = $this->therapist(role: Role::Student);
        $visit = $this->visit($student);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.'])->assertRedirect();
        $row = fn (): array => (array) DB::table('notes')->first();
        $hash = $row()['content_hash'];

        $this->actingAs($this->therapist($student->clinic))->post("/visits/{$visit->public_id}/countersign")->assertRedirect();

        self::assertSame([$hash, $hash], [NoteHash::of($row()), $row()['content_hash']]);
        self::assertNotNull($row()['countersigned_at']);
    }

    /**
     * @param  list<string>  $names
     * @return list<string>
     */
    private static function sorted(array $names): array
    {
        $names = array_values(array_unique($names));
        sort($names);

        return $names;
    }

    /**
     * @param  \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>  $page
     * @return array<string, mixed>
     */
    private function sentence($page, string $id): array
    {
        foreach ($page->inertiaProps()['note']['parts'] as $part) {
            foreach ($part['sentences'] as $one) {
                if ($one['id'] === $id) {
                    return $one;
                }
            }
        }
        self::fail("no sentence $id");
    }

    private function signed(): Visit
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Levator left, up to 5. It softened.', 'advice' => 'Walk.'])
            ->assertRedirect();

        return $visit;
    }
}
