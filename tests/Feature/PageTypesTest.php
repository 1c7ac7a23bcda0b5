<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use Database\Seeders\DemoStory;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** What the server gives a page is what its types say: every page of the demo is given to the TypeScript compiler with what it gets. */
#[Group('slow'), Group('whole')]
#[Group('walks')]
final class PageTypesTest extends TestCase
{
    private const STEPS = ['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'work', 'recheck', 'after'];

    /** what every page is given, and reads by another way */
    private const SHARED = ['errors', 'demo', 'user', 'flash'];

    private const FILE = 'storage/framework/testing/pages.check.ts';

    public function test_every_page_is_given_what_its_types_say(): void
    {
        $this->seed(DemoStory::class);
        $owner = User::query()->whereRelation('roles', 'name', Role::Owner->value)->firstOrFail();
        $desk = User::query()->whereRelation('roles', 'name', Role::Reception->value)->firstOrFail();
        $checks = [];
        foreach ([...$this->paths($owner), '/ at the desk'] as $path) {
            [$path, $who] = $path === '/ at the desk' ? ['/', $desk] : [$path, $owner];
            $this->actingAs($who);
            $page = (array) $this->get($path)->assertOk()->viewData('page'); // as it is sent: an empty map is none of a list
            $props = array_diff_key($page['props'], array_flip(self::SHARED));
            $checks[] = "/* $path */ told<{$this->typeOf($page['component'])}>("
                .json_encode(
                    $props, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                ).')';
        }
        self::assertGreaterThan(40, count($checks));

        self::assertSame('', $this->compiled($checks));
        self::assertStringContainsString(
            "'fourscore' does not exist",
            $this->compiled(["told<import('../../../resources/js/types/visit').Place>({ zone: 'temple', side: 'left', fourscore: 1 })"]),
            'the compiler looks',
        );
    }

    /** What the page declares; a step of the visit is handed its props by the frame round it. */
    private function typeOf(string $component): string
    {
        $page = "resources/js/pages/$component.vue";

        return str_contains((string) file_get_contents(base_path($page)), 'layout: inVisitFrame(')
            ? "import('../../../resources/js/types/visit').VisitProps"
            : "ComponentProps<typeof import('../../../$page').default>";
    }

    /** @return iterable<string> */
    private function paths(User $owner): iterable
    {
        yield from [
            '/', '/?day=2030-01-15', '/caseload', '/caseload?of=all',
            '/calendar', '/calendar?view=week', '/calendar?view=month&with=all', '/account', '/people', '/settings', '/clinic/audit',
            '/clinic/files', '/clinic/scope', '/help', '/atlas', '/atlas/trainer',
            '/atlas/muscle/soleus', '/atlas/technique/stripping', '/atlas/movement/cervical.rotation', '/atlas/test/first_rib_spring',
            '/atlas/landmark/mastoid_process', '/clients', '/clients/new',
        ];
        foreach (['signed', 'open'] as $status) {
            foreach (
                Visit::query()
                    ->where('status', $status)
                    ->whereRelation('client', 'clinic_id', $owner->clinic_id)
                    ->latest('number')
                    ->with('client')
                    ->take(2)
                    ->get() as $visit
            ) {
                foreach (self::STEPS as $step) {
                    yield "/visits/{$visit->public_id}/$step";
                }
                yield "/visits/{$visit->public_id}/letter";
                yield "/visits/{$visit->public_id}/summary";
                yield "/visits/{$visit->public_id}/home-care";
                if ($status === 'signed') {
                    yield "/visits/{$visit->public_id}/note";
                }
                foreach (['', '/edit', '/files', '/compare', '/report', '/report?for=referrer'] as $part) {
                    yield "/clients/{$visit->client->public_id}$part";
                }
            }
        }
    }

    /** @param  list<string>  $checks */
    private function compiled(array $checks): string
    {
        $head = "type ComponentProps<C> = C extends new (...args: never[]) => { \$props: infer P } ? P : never\nconst told = <T>(props: T): T => props\n";
        file_put_contents(base_path(self::FILE), $head.implode("\n", $checks)."\nexport {}\n");
        $process = new Process(
            ['npx', '--no-install', 'vue-tsc', '--noEmit', '-p', 'tests/types/tsconfig.json'], base_path(), timeout: 240,
        );
        $process->run();
        unlink(base_path(self::FILE));
        // one line a fault, whichever pages have it
        $lines = preg_replace('/^\S+\((\d+),\d+\): error /m', '', $process->getOutput());

        return implode("\n", array_unique(explode("\n", trim((string) $lines))));
    }
}
