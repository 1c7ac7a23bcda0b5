<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\NoteHash;
use App\Models\Role;
use App\Models\Visit;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;
use Somatrace\Core\Clinic;
use Tests\TestCase;

final class NoteTest extends TestCase
{
    public function test_a_correction_shows_word_by_word_what_it_changed(): void
    {
        $visit = $this->signed();
        $this->post(
            "/visits/{$visit->public_id}/correct",
            ['happened' => 'Levator left, up to 6. It softened.', 'advice' => 'Walk.', 'reason' => 'It was six, not five.'],
        )->assertRedirect();

        $revisions = $this->get("/visits/{$visit->public_id}/note")->assertOk()->viewData('page')['props']['revisions'];

        self::assertSame([2, 1], array_column($revisions, 'revision'));
        self::assertSame(
            [['same', 'Levator left, up to '], ['removed', '5. '], ['added', '6. '], ['same', 'It softened.']],
            array_map(static fn (array $piece): array => [$piece['kind'], $piece['text']], $revisions[0]['fields']['happened']),
        );
        self::assertSame([['kind' => 'same', 'text' => 'Walk.']], $revisions[0]['fields']['advice']);
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

        $found = $this->get("/visits/{$visit->public_id}/note")->viewData('page')['props']['found'];

        self::assertContains('Palpation: Levator scapulae, left: tenderness 3, tone high, texture taut band, familiar yes', $found);
    }

    public function test_what_is_not_there_is_told_in_one_line_each(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        foreach (['head_forward' => 2, 'shoulder_rolled_forward' => 0, 'shoulder_high' => 0] as $sign => $grade) {
            $side = app(Clinic::class)->atlas()->postureSigns[$sign]->paired ? 'left' : 'midline';
            $this->save($visit, 'posture', ['sign' => $sign, 'side' => $side, 'grade' => $grade])->assertOk();
        }
        $this->save($visit, 'palpation', ['muscle' => 'soleus', 'side' => 'left', 'tenderness' => 0])->assertOk();
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Looked.', 'advice' => ''])->assertRedirect();

        $found = $this->get("/visits/{$visit->public_id}/note")->viewData('page')['props']['found'];

        self::assertContains('Looked for, and not there: shoulder high, left; shoulder rolled forward, left', $found);
        self::assertContains('Felt, and not tender: Soleus, left', $found);
        self::assertSame(1, count(array_filter($found, static fn (string $line): bool => str_starts_with($line, 'Posture: '))));
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
        self::assertGreaterThan(20_000, strlen($pdf), 'the outline of a body takes room');
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

    private function signed(): Visit
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Levator left, up to 5. It softened.', 'advice' => 'Walk.'])
            ->assertRedirect();

        return $visit;
    }
}
