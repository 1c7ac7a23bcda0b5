<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\ClientDetails;
use App\Models\OutboxMail;
use App\Models\Role;
use App\Support\Letters;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Lang;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What the server answers is said in the language of the interface, by the same file as the pages. */
final class LanguageTest extends TestCase
{
    /** @return list<string> every phrase of the interface */
    private static function phrases(): array
    {
        /** @var array<string, string> $phrases */
        $phrases = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/lang/en.json'), true, flags: JSON_THROW_ON_ERROR);

        return array_keys($phrases);
    }

    /** A language that nobody speaks: every phrase between two marks. */
    private function speakMarked(): void
    {
        $folder = storage_path('framework/testing/lang');
        File::ensureDirectoryExists($folder);
        $marked = array_map(static fn (string $phrase): string => "‹{$phrase}›", self::phrases());
        File::put("$folder/xx.json", (string) json_encode(array_combine(self::phrases(), $marked)));
        Lang::addJsonPath($folder);
        $this->app?->setLocale('xx');
    }

    public function test_what_every_request_says_of_its_fields_is_in_the_file_that_is_translated_from(): void
    {
        $said = [];
        foreach (File::allFiles(app_path('Http/Requests')) as $file) {
            $class = 'App\\Http\\Requests\\'.str_replace(['/', '.php'], ['\\', ''], $file->getRelativePathname());
            $request = is_subclass_of($class, FormRequest::class) ? new $class : null;
            foreach ($request?->messages() ?? [] as $field => $message) {
                $said["$class $field"] = $message;
            }
        }

        self::assertGreaterThan(30, count($said));
        self::assertSame([], array_diff($said, self::phrases()));
    }

    public function test_a_refusal_of_a_field_is_looked_up_before_its_values_are_put_in(): void
    {
        $this->speakMarked();
        $this->actingAs($this->therapist(role: Role::Owner));

        $this->from('/settings')->put('/settings/own', ['idle_minutes' => 500])
            ->assertSessionHasErrors(['idle_minutes' => '‹Between 1 and 120 minutes, please.›'])->assertRedirect('/settings');
        $this->putJson('/settings/own', ['idle_minutes' => 500])
            ->assertJsonPath('errors.idle_minutes.0', '‹Between 1 and 120 minutes, please.›');
    }

    public function test_what_an_act_refuses_and_what_it_tells_is_looked_up(): void
    {
        $this->speakMarked();
        $this->post('/sign-in', ['email' => 'nobody@lantern-yard.example', 'password' => 'not this one'])
            ->assertSessionHasErrors(['email' => '‹This address and password do not belong together.›']);

        $this->actingAs($this->therapist(role: Role::Owner));
        $this->followingRedirects()->from('/settings')->put('/settings/own', ['idle_minutes' => 20])
            ->assertInertia(static fn (AssertableInertia $page) => $page->where('flash.message', '‹Kept, for you.›'));
    }

    public function test_a_name_stands_in_the_phrase_and_not_beside_it(): void
    {
        $this->speakMarked();
        $owner = $this->therapist(role: Role::Owner);
        $client = $this->client($owner);

        $this->actingAs($owner)->delete("/clients/{$client->public_id}", ['code' => 'XX-99'])
            ->assertSessionHasErrors(['code' => "‹Write {$client->code}, to be sure it is the one meant.›"]);
    }

    public function test_a_paper_and_a_mail_are_told_in_it(): void
    {
        $this->speakMarked();
        $owner = $this->therapist(role: Role::Owner);
        $paper = view('papers.home-care', [
            'clinic' => 'Lantern Yard', 'client' => ['code' => 'LY-1', 'name' => 'Wendel Ash'], 'visit' => ['date' => '1 March'],
            'therapist' => 'Nell Harrow', 'advice' => '', 'given' => [], 'expect' => ['It may be sore for a day.'],
        ])->render();
        foreach (['<h1>‹For home›</h1>', '‹Nothing was handed out.›', '<h2>‹After today›</h2>', 'lang="xx"'] as $said) {
            self::assertStringContainsString($said, $paper);
        }

        app(Letters::class)->invite($owner, 'Ida');
        $mail = OutboxMail::query()->sole();
        self::assertSame("‹{$owner->clinic->name}: your account›", $mail->subject);
        self::assertStringContainsString("‹Ida invites you to {$owner->clinic->name}.›\n\n‹Choose a password here, within a week:›\nhttp", $mail->text);
    }

    /**
     * A text of a page that is a phrase, word for word, and stands there unmarked was sent without being looked up.
     *
     * @return \Generator<string, array{string}>
     */
    public static function pages(): \Generator
    {
        $pages = [
            '/', '/people', '/settings', '/clinic/audit', '/clinic/files', '/clinic/scope', '/caseload?of=all', '/calendar', '/account',
            '/clients/~', '/clients/~/edit', '/clients/~/files', '/clients/~/compare', '/clients/~/report',
            '/visits/*/ask', '/visits/*/plan', '/visits/*/after', '/visits/*/summary', '/visits/*/letter', '/visits/*/home-care',
        ];
        foreach ($pages as $page) {
            yield $page => [$page];
        }
    }

    #[DataProvider('pages')]
    public function test_words_of_a_page_are_looked_up(string $page): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $client = $this->client($owner);
        $visit = $this->visit($owner, $client);
        $this->actingAs($owner)->put("/clients/{$client->public_id}", [...ClientDetails::of($client), 'occupation' => 'carver']);
        $this->speakMarked();

        $props = $this->get(strtr($page, ['~' => $client->public_id, '*' => $visit->public_id]))->assertOk()->inertiaProps();

        $phrases = array_flip(array_filter(self::phrases(), static fn (string $one): bool => str_contains($one, ' ')));
        $bare = [];
        array_walk_recursive($props, static function (mixed $text, int|string $key) use (&$bare, $phrases): void {
            // how much of an exercise is the core's to say
            if (is_string($text) && isset($phrases[$text]) && $key !== 'dose') {
                $bare["$key"] = $text;
            }
        });
        self::assertSame([], $bare);
    }

    public function test_months_are_told_in_it(): void
    {
        $clinic = $this->therapist()->clinic;
        $day = CarbonImmutable::parse('1992-03-14 22:30', 'UTC');
        self::assertSame('14 March 1992', $clinic->dateWords($day));
        $this->app?->setLocale('de');
        self::assertSame('14 März 1992', $clinic->dateWords($day));
    }

    /** Letters that stand in a template outside of what is looked up. */
    public function test_no_template_has_words_of_its_own(): void
    {
        $left = [];
        foreach (File::allFiles(resource_path('views')) as $file) {
            $bare = (string) preg_replace([
                '~<style.*?</style>~s', '~\{\{.*?\}\}|\{!!.*?!!\}~s', '~@\w+\s*(\((?:[^()]|(?1))*\))?~', '~<[^>]*>~',
            ], ' ', $file->getContents());
            if (preg_match('/\p{L}{2}[^\n]*/u', $bare, $words) === 1) {
                $left[$file->getFilename()] = $words[0];
            }
        }

        self::assertSame([], $left);
    }

    /** What is put together with a value is no key: it is given to `__('… :name …', …)`. */
    public function test_no_answer_is_a_sentence_with_a_value_in_the_middle(): void
    {
        $found = [];
        foreach (['Http/Controllers', 'Http/Pages', 'Http/Requests', 'Actions', 'Cases', 'Models', 'Rules', 'Support'] as $folder) {
            foreach (File::allFiles(app_path($folder)) as $file) {
                if (preg_match_all('/"[^"\n]*\{?\$\w[^"\n]* [^"\n]*[.?!]"/', $file->getContents(), $sentences) > 0) {
                    $found[$file->getFilename()] = $sentences[0];
                }
            }
        }

        self::assertSame([], $found);
    }
}
