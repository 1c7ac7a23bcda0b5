<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Visit;
use Illuminate\Support\Facades\View;
use Illuminate\View\View as Rendered;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\PdfText;
use Tests\TestCase;

/** What is printed says word for word what the record says, in our own type, on one page. */
final class PaperTextTest extends TestCase
{
    /** @return array<string, array{string}> */
    public static function papers(): array
    {
        return ['note' => ['note'], 'letter' => ['letter'], 'summary' => ['summary'], 'home care' => ['home-care']];
    }

    #[DataProvider('papers')]
    public function test_the_paper_says_what_the_record_says_and_nothing_else(string $paper): void
    {
        $visit = $this->signed();
        $made = null;
        View::composer('papers.*', static function (Rendered $view) use (&$made): void {
            $made ??= $view;
        });

        $pdf = PdfText::of((string) $this->get("/visits/{$visit->public_id}/$paper.pdf")->assertOk()->getContent());

        self::assertInstanceOf(Rendered::class, $made);
        $html = (string) preg_replace('~<(style|title|svg)\b.*?</\1>~s', ' ', $made->render());
        $meant = html_entity_decode(strip_tags((string) preg_replace('/<[^>]*>/', ' ', $html)), ENT_QUOTES | ENT_HTML5, 'UTF-8');
        self::assertSame(PdfText::words($meant), PdfText::words($pdf->text), 'every word, as often as it is meant, and no other');
        foreach ($this->sentences($visit, $paper) as $sentence) {
            self::assertStringContainsString(self::bare($sentence), self::bare($pdf->text), $sentence);
        }
    }

    #[DataProvider('papers')]
    public function test_it_is_set_in_our_type_and_fits_on_one_page(string $paper): void
    {
        $pdf = PdfText::of((string) $this->get("/visits/{$this->signed()->public_id}/$paper.pdf")->assertOk()->getContent());

        self::assertNotSame([], $pdf->fonts);
        self::assertSame([], array_filter(
            $pdf->fonts, static fn (string $font): bool => preg_match('/atkinson|piazzolla/i', $font) !== 1,
        ), 'no type of somebody else');
        self::assertGreaterThan(0, $pdf->embedded);
        self::assertSame(1, $pdf->pages);
    }

    /** @return list<string> what the page of the paper shows, as it must stand on paper */
    private function sentences(Visit $visit, string $paper): array
    {
        $props = $this->get("/visits/{$visit->public_id}/$paper")->assertOk()->inertiaProps();
        $all = static function (mixed ...$parts): array {
            $found = [];
            array_walk_recursive($parts, static function (mixed $one) use (&$found): void {
                $found[] = is_string($one) ? $one : '';
            });

            return array_values(array_filter($found));
        };
        $found = match ($paper) {
            'note' => array_column(array_merge([], ...array_column($props['note']['parts'], 'sentences')), 'text'),
            'letter' => array_values(array_filter(explode("\n", $props['draft']))),
            'summary' => $all($props['reason'], $props['found'], $props['explains'], $props['chains']),
            default => $all(
                array_map(static fn (array $one): array => array_diff_key($one, ['exercise' => 0]), $props['given']),
                $props['expect'], $props['advice'],
            ),
        };
        if ($paper === 'home-care') {
            self::assertContains('Carry the case on the left.', $found);
        }
        self::assertNotSame([], $found, "the page of the $paper says something");

        return $found;
    }

    private static function bare(string $text): string
    {
        return (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtolower($text));
    }

    /** A visit with a finding, work, an answer, what is for home, and somebody to write to. */
    private function signed(): Visit
    {
        $this->travelTo('2026-03-09 09:00:00');
        $visit = $this->visit($this->therapist());
        $this->denyEverything($visit);
        $this->recordNeck($visit);
        $this->save($visit, 'complaint', [
            'zone' => 'neck_back', 'side' => 'left', 'now' => 6, 'words' => 'Wie ein Seil – “zu kurz”',
            'worse_with' => [['situation' => 'at_night']],
        ], seen: 1)->assertOk();
        $this->save($visit, 'medicine', ['medicine' => 'antiplatelet', 'answer' => 'yes', 'named' => ['aspirin']])->assertOk();
        $this->save($visit, 'home_care', ['exercise' => 'shrug_drop', 'side' => 'left', 'dose' => '4 times'])->assertOk();
        $this->tell(
            $visit, $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']),
            $this->happening('pass_reached', ['pressure' => 5, 'seconds' => 120, 'tissue_kpa' => 100]),
            $this->happening('step_done', ['seconds' => 180]),
        )->assertOk();
        $this->save($visit, 'text', 'A look at the neck, please.', 'concern')->assertOk();
        $this->post("/visits/{$visit->public_id}/sign", [
            'happened' => 'Worked to five.', 'advice' => 'Carry the case on the left.', 'next_time' => 'The right side.',
        ])->assertSessionHasNoErrors();

        return $visit->refresh();
    }
}
