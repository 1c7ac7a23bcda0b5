<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Client;
use App\Models\Visit;
use App\Support\AtlasExport;
use App\Support\SafetyRulesPage;
use Database\Seeders\DemoStory;
use PHPUnit\Framework\Attributes\Group;
use Tests\TestCase;

final class GeneratedFilesTest extends TestCase
{
    public function test_the_atlas_the_pages_read_is_the_atlas_of_the_core(): void
    {
        foreach (app(AtlasExport::class)->files() as $path => $text) {
            self::assertSame(
                hash('sha256', $text), hash_file('sha256', base_path($path)), "$path is stale: php artisan somatrace:atlas export",
            );
        }
    }

    public function test_the_table_of_the_safety_rules_is_that_of_the_data(): void
    {
        self::assertStringEqualsFile(
            base_path(SafetyRulesPage::PATH), app(SafetyRulesPage::class)->text(), 'stale: php artisan somatrace:safety table',
        );
    }

    #[Group('slow')]
    public function test_the_demo_story_can_be_told_and_holds_what_it_promises(): void
    {
        $this->seed(DemoStory::class);

        self::assertGreaterThanOrEqual(6, Client::query()->count());
        $course = static fn (string $code): string => (string) Client::query()
            ->where('code', $code)
            ->firstOrFail()
            ->visits()
            ->latest('number')
            ->firstOrFail()
            ->judgements()
            ->where('kind', 'response')
            ->firstOrFail()->document['course']['decision'];
        self::assertSame(
            ['continue', 'reassess', 'refer', 'space_out', 'space_out', 'refer'],
            array_map($course, ['WA-08', 'IT-11', 'GH-03', 'PL-19', 'HQ-24', 'BF-27']),
        );
        self::assertGreaterThan(330, (int) Visit::query()->oldest('started_at')->firstOrFail()->started_at->diffInDays(now()), 'a year');
        self::assertSame(0, Visit::query()->where('started_at', '>', now())->count());
    }
}
