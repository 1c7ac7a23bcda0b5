<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\EraseClient;
use App\Http\Pages\ClientArchive;
use App\Models\Client;
use App\Models\Role;
use App\Models\User;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\View;
use Illuminate\Testing\TestResponse;
use Illuminate\View\View as Rendered;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\PdfText;
use Tests\TestCase;

/** What a course has come to, for the client or for a doctor, on a page and on paper. */
final class ReportTest extends TestCase
{
    private User $user;

    private Client $client;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-03-02 09:00:00');
        $this->user = $this->therapist();
        $this->client = $this->client($this->user);
    }

    public function test_before_a_visit_has_ended_there_is_nothing_to_report(): void
    {
        $this->visit($this->user, $this->client);

        self::assertNull($this->page()['report']);
        $this->get("/clients/{$this->client->public_id}/report.pdf")->assertOk();
    }

    public function test_it_tells_what_changed_what_was_done_and_what_comes_next_in_the_words_of_its_reader(): void
    {
        $this->course();

        $page = $this->page();
        $report = $page['report'];
        self::assertSame('You were here twice, from 2 March 2026 to 9 March 2026.', $report['summary'][0]);
        $pain = array_column($report['changes'], null, 'name')['Pain: back of the neck, left'];
        self::assertSame(
            ['7 of 10', '3 of 10', '2 March 2026', '9 March 2026', 'better, more than measuring error', 'improved'],
            [$pain['first'], $pain['last'], $pain['from'], $pain['to'], $pain['words'], $pain['verdict']],
        );
        self::assertSame(['Left levator scapulae'], array_column($report['worked'], 'name'));
        self::assertStringStartsWith('on 2 visits, ', $report['worked'][0]['words']);
        self::assertSame(['2 March 2026', '9 March 2026'], [$page['figures']['first']['date'], $page['figures']['last']['date']]);
        self::assertSame([7, 3], [$page['figures']['first']['complaints'][0]['now'], $page['figures']['last']['complaints'][0]['now']]);
        self::assertNull($page['born']);

        $doctor = $this->page('for=referrer');
        self::assertSame('Seen twice, from 2 March 2026 to 9 March 2026.', $doctor['report']['summary'][0]);
        self::assertSame('1 April 1985', $doctor['born']);
        self::assertSame('both', $doctor['wording']);
        self::assertGreaterThan(count($report['changes']), count($doctor['report']['changes']), 'muscles too');
        self::assertSame('clinical', $this->page('for=referrer&words=clinical')['wording']);
    }

    #[DataProvider('readers')]
    public function test_the_paper_says_word_for_word_what_the_page_says(string $query): void
    {
        $this->course();
        $made = null;
        View::composer('papers.report', static function (Rendered $view) use (&$made): void {
            $made ??= $view;
        });

        $pdf = PdfText::of((string) $this->get("/clients/{$this->client->public_id}/report.pdf?$query")->assertOk()->getContent());

        self::assertInstanceOf(Rendered::class, $made);
        $html = (string) preg_replace('~<(style|title|svg)\b.*?</\1>~s', ' ', $made->render());
        $meant = html_entity_decode(strip_tags((string) preg_replace('/<[^>]*>/', ' ', $html)), ENT_QUOTES | ENT_HTML5, 'UTF-8');
        self::assertSame(PdfText::words($meant), PdfText::words($pdf->text));
        $bare = static fn (string $text): string => (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtolower($text));
        $report = $this->page($query)['report'];
        foreach ([...$report['summary'], ...$report['ahead'], ...array_column($report['changes'], 'name')] as $sentence) {
            self::assertStringContainsString($bare($sentence), $bare($pdf->text), $sentence);
        }
        self::assertSame([], array_filter($pdf->fonts, static fn (string $font): bool => preg_match('/atkinson|piazzolla/i', $font) !== 1));
        self::assertSame(1, $pdf->pages);
    }

    /** @return iterable<string, array{string}> */
    public static function readers(): iterable
    {
        yield 'the client' => [''];
        yield 'a doctor' => ['for=referrer'];
        yield 'a doctor, in clinical terms' => ['for=referrer&words=clinical'];
    }

    public function test_the_desk_and_another_clinic_read_none(): void
    {
        $this->course();
        foreach ([$this->therapist($this->user->clinic, Role::Reception), $this->therapist()] as $other) {
            foreach (['report', 'report.pdf'] as $paper) {
                $this->actingAs($other)->get("/clients/{$this->client->public_id}/$paper")->assertForbidden();
            }
        }
    }

    public function test_what_the_therapist_adds_stands_on_top_of_it_for_one_reader_and_up_to_one_visit(): void
    {
        $this->course();
        $own = $this->page()['own'];
        self::assertSame(['', 0, true, null], [$own['words'], $own['revision'], $own['writable'], $own['before']]);

        $this->keep($own['visit'], " Dear Ida,\n\nwell done. ", 0)->assertOk()->assertExactJson(
            ['words' => "Dear Ida,\n\nwell done.", 'revision' => 1],
        );

        self::assertSame("Dear Ida,\n\nwell done.", $this->page()['own']['words']);
        self::assertSame('', $this->page('for=referrer')['own']['words'], 'the doctor is told something else');
        $paper = fn (string $query = ''): string => implode(' ', PdfText::words(
            PdfText::of((string) $this->get("/clients/{$this->client->public_id}/report.pdf$query")->getContent())->text,
        ));
        self::assertStringContainsString(implode(' ', PdfText::words('Dear Ida, well done. In short')), $paper());
        self::assertStringNotContainsString('well done', $paper('?for=referrer'));

        // after another visit it is offered with its day, and stands nowhere until it is said again
        $this->travelTo('2026-03-16 10:00:00');
        $this->visit($this->user, $this->client)->update(['status' => VisitStatus::Stopped]);
        $next = $this->page()['own'];
        self::assertSame(['', 0], [$next['words'], $next['revision']]);
        self::assertSame(['words' => "Dear Ida,\n\nwell done.", 'date' => '9 March 2026'], $next['before']);
        self::assertStringNotContainsString('well done', $paper());
        $this->keep($next['visit'], '', 0)->assertOk();
        self::assertNull($this->page()['own']['before'], 'taken out is not offered again');
    }

    public function test_of_two_who_write_at_once_nobody_loses_a_word(): void
    {
        $this->course();
        $visit = $this->page()['own']['visit'];
        $this->keep($visit, 'from one window', 0)->assertOk();

        $this->keep($visit, 'from another', 0)->assertConflict()->assertExactJson(['words' => 'from one window', 'revision' => 1]);
        $this->keep($visit, 'from one window', 0)->assertOk();
        self::assertSame('from one window', $this->page()['own']['words']);
        $this->keep($visit, 'from another', 1)->assertOk();
        self::assertSame(['from another', 2], [$this->page()['own']['words'], $this->page()['own']['revision']]);
        $this->keep($visit, 'from nowhere', 7)->assertJsonValidationErrorFor('seen');
        $this->keep($visit, str_repeat('ä', 2001), 2)->assertJsonValidationErrors(['words' => 'At most 2000 characters']);
        self::assertSame('from another', $this->page()['own']['words']);
    }

    public function test_who_is_supervised_reads_the_words_and_adds_none(): void
    {
        $this->course();
        $visit = $this->page()['own']['visit'];
        $this->keep($visit, 'Well done.', 0)->assertOk();
        $this->actingAs($this->therapist($this->user->clinic, Role::Student));

        self::assertSame(['Well done.', false], [$this->page()['own']['words'], $this->page()['own']['writable']]);
        $this->keep($visit, 'Mine.', 1)->assertForbidden();
    }

    public function test_words_are_kept_for_a_visit_of_this_client_that_has_ended(): void
    {
        $this->course();
        $open = $this->visit($this->user, $this->client);
        $elsewhere = $this->visit($this->user, $this->client($this->user));
        $elsewhere->update(['status' => VisitStatus::Stopped]);
        foreach ([$open->public_id, $elsewhere->public_id, '01KB3J5Y7V00000000000000AA'] as $visit) {
            $this->keep($visit, 'words', 0)->assertJsonValidationErrorFor('visit');
        }
        $this->assertDatabaseCount('report_words', 0);
    }

    public function test_what_was_added_is_taken_out_with_everything_and_goes_with_the_name(): void
    {
        $this->course();
        $visit = $this->page()['own']['visit'];
        $this->keep($visit, 'Dear Ida, well done.', 0)->assertOk();
        $this->keep($visit, 'Please look at the neck.', 0, 'referrer')->assertOk();

        $path = app(ClientArchive::class)->handle($this->client, $this->user->clinic);
        $zip = new \ZipArchive;
        $zip->open($path);
        self::assertSame("Dear Ida, well done.\n", $zip->getFromName('visits/002-2026-03-09.report-to-client.txt'));
        self::assertSame("Please look at the neck.\n", $zip->getFromName('visits/002-2026-03-09.report-to-referrer.txt'));
        $zip->close();
        unlink($path);

        app(EraseClient::class)->handle($this->client, $this->user->clinic, CarbonImmutable::now());
        $this->assertDatabaseCount('report_words', 0);
        self::assertSame(2, $this->client->visits()->count(), 'the record stays as long as the law keeps it');
    }

    /** @return TestResponse<Response> */
    private function keep(string $visit, string $words, int $seen, string $for = 'client'): TestResponse
    {
        return $this->putJson(
            "/clients/{$this->client->public_id}/report", ['visit' => $visit, 'for' => $for, 'words' => $words, 'seen' => $seen],
        );
    }

    /** Two visits a week apart: the second is better. */
    private function course(): void
    {
        $in = static fn (int $minutes): string => now()->addMinutes($minutes)->toIso8601ZuluString('millisecond');
        foreach ([7, 3] as $index => $pain) {
            $this->travelTo($index === 0 ? '2026-03-02 09:00:00' : '2026-03-09 09:00:00');
            $visit = $this->visit($this->user, $this->client);
            $this->recordNeck($visit, $pain);
            $this->save($visit, 'palpation', [
                'muscle' => 'trapezius_upper', 'side' => 'left', 'tenderness' => 3 - 2 * $index,
            ])->assertOk();
            $this->tell(
                $visit, $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']),
                $this->happening('pass_reached', ['pressure' => 4, 'seconds' => 90, 'tissue_kpa' => 200], at: $in(1)),
                $this->happening('step_done', ['seconds' => 200, 'technique' => 'stripping', 'tool' => 'knuckle'], at: $in(4)),
            )->assertOk();
            $visit->update(['status' => VisitStatus::Stopped, 'stopped_at' => now()]);
        }
    }

    /** @return array<string, mixed> */
    private function page(string $query = ''): array
    {
        return $this->get("/clients/{$this->client->public_id}/report?$query")->assertOk()->inertiaProps();
    }
}
