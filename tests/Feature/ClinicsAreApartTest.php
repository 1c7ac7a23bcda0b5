<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class ClinicsAreApartTest extends TestCase
{
    #[DataProvider('ways')]
    public function test_nothing_is_readable_or_writable_across_clinics(string $method, string $path): void
    {
        $visit = $this->visit($this->therapist());
        $stranger = $this->therapist();
        $path = str_replace(['{visit}', '{client}'], [$visit->public_id, $visit->client->public_id], $path);

        $this->actingAs($stranger)
            ->json(
                $method, $path,
                [
                    'kind' => 'complaint', 'phase' => 'before', 'payload' => null, 'seen' => 0, 'minutes' => 30, 'happened' => 'x',
                    'reason' => 'because', 'events' => [],
                ],
            )
            ->assertForbidden();
    }

    /** @return iterable<string, array{string, string}> */
    public static function ways(): iterable
    {
        yield 'client' => ['GET', '/clients/{client}'];
        yield 'compare' => ['GET', '/clients/{client}/compare'];
        yield 'begin a visit' => ['POST', '/clients/{client}/visits'];
        yield 'book' => ['POST', '/clients/{client}/appointments'];
        yield 'visit' => ['GET', '/visits/{visit}/feel'];
        yield 'entries' => ['GET', '/visits/{visit}/entries'];
        yield 'suppose' => ['POST', '/visits/{visit}/what-if?kind=palpate&id=masseter&side=left'];
        yield 'list' => ['POST', '/visits/{visit}/worklist'];
        yield 'device' => ['POST', '/visits/{visit}/devices/inclinometer/readings?what=cervical.rotation&side=left&repeat=1'];
        yield 'summary' => ['GET', '/visits/{visit}/summary'];
        yield 'save' => ['PUT', '/visits/{visit}/entries'];
        yield 'save several' => ['POST', '/visits/{visit}/entries'];
        yield 'minutes' => ['PUT', '/visits/{visit}'];
        yield 'agree' => ['POST', '/visits/{visit}/plan'];
        yield 'plan on paper' => ['GET', '/visits/{visit}/plan/table'];
        yield 'protocols' => ['GET', '/visits/{visit}/protocols'];
        yield 'keep a protocol' => ['POST', '/visits/{visit}/protocols'];
        yield 'suppose a protocol' => ['POST', '/visits/{visit}/protocols/tries'];
        yield 'suppose a plan' => ['POST', '/visits/{visit}/plan/tries'];
        yield 'events' => ['POST', '/visits/{visit}/events'];
        yield 'stop' => ['POST', '/visits/{visit}/stop'];
        yield 'sign' => ['POST', '/visits/{visit}/sign'];
        yield 'export' => ['GET', '/visits/{visit}/case.json'];
    }

    public function test_a_search_finds_only_ones_own_clients_by_any_part_or_code(): void
    {
        $mine = $this->therapist();
        $this->client($mine, 'Zoë Armitage');
        $this->client($this->therapist(), 'Zoë Elsewhere');
        $this->actingAs($mine);

        self::assertSame(['Zoë Armitage'], array_column($this->postJson('/clients/search', ['q' => 'zoe'])->json(), 'name'));
        self::assertSame(['Zoë Armitage'], array_column($this->postJson('/clients/search', ['q' => 'mita'])->json(), 'name'));
        self::assertSame([], $this->postJson('/clients/search', ['q' => '%'])->json());
        self::assertSame([], $this->postJson('/clients/search', ['q' => ''])->json());
    }
}
