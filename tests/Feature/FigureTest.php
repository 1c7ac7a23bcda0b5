<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Support\FigureSvg;
use Somatrace\Core\Clinic;
use Tests\TestCase;

/** The drawn figure against the atlas: what is known is drawn, where it lies, and nothing else is. */
final class FigureTest extends TestCase
{
    /**
     * @var array<string, array{parts: list<array<string, mixed>>, zones: list<array<string, mixed>>}> by view
     */
    private array $views;

    /**
     * @var array{plates: array<string, array<string, array<string, array<string, mixed>>>>, landmarks: array<string, array<string,
     * array{float, float}>>}
     */
    private array $index;

    /** @var array<string, list<list<array{float, float}>>> rings of paths already read */
    private array $known = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->index = $this->art('index');
        foreach ($this->index['plates'] as $view => $places) {
            $art = $this->art($view);
            $this->views[$view] = [
                'parts' => $art['parts'],
                'zones' => array_map(static fn (array $shape): array => [...$shape, ...$places['zones'][$shape['id']]], $art['zones']),
            ];
        }
    }

    public function test_every_muscle_and_zone_has_a_shape_on_some_view_and_no_shape_is_unknown(): void
    {
        $atlas = app(Clinic::class)->atlas();

        self::assertEqualsCanonicalizing(array_keys($atlas->muscles), $this->shown('muscles'));
        self::assertEqualsCanonicalizing(array_keys($atlas->zones), $this->shown('zones'));
    }

    public function test_on_paper_laypeople_see_a_clothed_body_and_who_treats_its_muscles(): void
    {
        $drawn = static function (bool $clothed): string {
            $paper = app(FigureSvg::class)->of([['zone' => 'neck_back', 'side' => 'left']], [], $clothed);
            preg_match('~svg\+xml;base64,([^"]+)~', $paper, $svg);

            return (string) base64_decode($svg[1] ?? '', true);
        };
        self::assertStringContainsString('<image', $drawn(false));
        self::assertStringNotContainsString('<image', $drawn(true));
        self::assertStringContainsString('#8f2a20', $drawn(true), 'and where it hurts');
        $zones = [...array_column($this->views['front']['zones'], 'id'), ...array_column($this->views['back']['zones'], 'id')];
        foreach ((array) json_decode((string) file_get_contents(resource_path('js/chart/clothes.json')), true) as $garment => $begins) {
            foreach ((array) $begins as $begin) {
                self::assertNotSame(
                    [], array_filter($zones, static fn (string $id): bool => str_starts_with($id, $begin)), "$garment covers no $begin",
                );
            }
            // as many as it has to cover, on both sides of front and back
            self::assertGreaterThan(10, substr_count($drawn(true), ['shirt' => '#e4dfd3', 'shorts' => '#c9c6be'][$garment]));
        }
    }

    public function test_a_muscle_of_the_dissected_body_lies_under_its_own_zones_or_beside_them(): void
    {
        $atlas = app(Clinic::class)->atlas();
        $strays = [];
        foreach (['front', 'back'] as $view) {
            $places = $this->index['plates'][$view]['muscles'];
            self::assertGreaterThan(70, count($places), $view);
            foreach ($places as $id => $place) {
                $muscle = $atlas->muscle($id);
                $own = $muscle->everyZone();
                $beside = array_merge($own, ...array_map(static fn (string $zone): array => $atlas->zone($zone)->neighbours, $own));
                $zone = $this->nearestZone($this->views[$view]['zones'], $place['pole']);
                if (! in_array($zone, $beside, true)) {
                    $strays[] = "$view: $id is seen under $zone";
                }
                self::assertContains($place['layer'], [1, 2, 3, 4], "$view, $id");
            }
        }

        self::assertSame([], $strays);
    }

    public function test_half_a_body_is_drawn_and_what_lies_in_it_stays_in_it(): void
    {
        foreach ($this->views as $view => $drawn) {
            foreach ($drawn['zones'] as $shape) {
                preg_match_all('/[ML](-?[\d.]+) (-?[\d.]+)/', $shape['d'], $points);
                self::assertGreaterThan(-3, min(array_map(floatval(...), $points[1])), "$view, {$shape['id']} crosses the midline");
                self::assertStringNotContainsString('NaN', $shape['d'], "$view, {$shape['id']}");
            }
        }
    }

    public function test_zones_tile_the_skin_without_gaps_or_overlap(): void
    {
        foreach ($this->views as $view => $drawn) {
            [$total, $wrong] = [0.0, 0.0];
            for ($y = 0.5; $y < 1012; $y += 1.5) {
                $skin = array_merge(...array_map(fn (array $part): array => $this->crossings($part['skin'], $y), $drawn['parts']));
                $zones = array_merge(...array_map(fn (array $zone): array => $this->crossings($zone['d'], $y), $drawn['zones']));
                foreach ($this->steps($skin, $zones) as [$length, $skins, $tiles]) {
                    $total += $skins > 0 ? $length : 0;
                    $wrong += $skins > 0 && $tiles !== 1 ? $length : 0;
                }
            }
            self::assertGreaterThan(1000, $total, $view);
            self::assertLessThanOrEqual(
                0.005, $wrong / $total, sprintf('%s: %.2f %% of the skin lies in no zone or in two', $view, 100 * $wrong / $total),
            );
        }
    }

    /** @return array<string, mixed> */
    private function art(string $name): array
    {
        return json_decode((string) file_get_contents(resource_path("js/chart/art/$name.generated.json")), true);
    }

    /**
     * Where a path is entered and left along a row, within the half that is drawn.
     *
     * @return list<array{float, int}> place, and 1 where it is entered or -1 where it is left
     */
    private function crossings(string $path, float $y): array
    {
        $at = [];
        foreach ($this->rings($path) as $ring) {
            $count = count($ring);
            for ($i = 0, $j = $count - 1; $i < $count; $j = $i++) {
                [[$xi, $yi], [$xj, $yj]] = [$ring[$i], $ring[$j]];
                if (($yi > $y) !== ($yj > $y)) {
                    $at[] = max(0.5, ($xj - $xi) * ($y - $yi) / ($yj - $yi) + $xi);
                }
            }
        }
        sort($at);

        return array_map(static fn (float $x, int $k): array => [$x, $k % 2 === 0 ? 1 : -1], $at, array_keys($at));
    }

    /**
     * The pieces of a row: length, how many skins and how many zones cover it.
     *
     * @param  list<array{float, int}>  $skin
     * @param  list<array{float, int}>  $zones
     * @return list<array{float, int, int}>
     */
    private function steps(array $skin, array $zones): array
    {
        $events = [
            ...array_map(static fn (array $one): array => [...$one, 0], $skin),
            ...array_map(static fn (array $one): array => [0 => $one[0], 1 => 0, 2 => $one[1]], $zones),
        ];
        usort($events, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        [$steps, $before, $skins, $tiles] = [[], 0.0, 0, 0];
        foreach ($events as [$x, $skinStep, $zoneStep]) {
            $steps[] = [$x - $before, $skins, $tiles];
            [$before, $skins, $tiles] = [$x, $skins + $skinStep, $tiles + $zoneStep];
        }

        return $steps;
    }

    /** @return list<string> */
    private function shown(string $kind): array
    {
        return array_values(array_unique(array_merge(
            ...array_values(array_map(static fn (array $view): array => array_keys($view[$kind]), $this->index['plates'])),
        )));
    }

    /**
     * @param  list<array{id: string, d: string, c: array{float, float}}>  $zones
     * @param  array{float, float}  $point
     */
    private function nearestZone(array $zones, array $point): string
    {
        $best = ['', INF];
        foreach ($zones as $zone) {
            $off = $this->inside($zone['d'], $point) ? 0.0 : 1 + hypot($zone['c'][0] - $point[0], $zone['c'][1] - $point[1]);
            if ($off < $best[1]) {
                $best = [$zone['id'], $off];
            }
        }

        return $best[0];
    }

    /** @param  array{float, float}  $point */
    private function inside(string $path, array $point): bool
    {
        $in = false;
        foreach ($this->rings($path) as $ring) {
            $count = count($ring);
            for ($i = 0, $j = $count - 1; $i < $count; $j = $i++) {
                [[$xi, $yi], [$xj, $yj]] = [$ring[$i], $ring[$j]];
                if (($yi > $point[1]) !== ($yj > $point[1]) && $point[0] < ($xj - $xi) * ($point[1] - $yi) / ($yj - $yi) + $xi) {
                    $in = ! $in;
                }
            }
        }

        return $in;
    }

    /**
     * The rings of a path of lines and cubic curves, each curve in eight steps.
     *
     * @return list<list<array{float, float}>>
     */
    private function rings(string $path): array
    {
        if (isset($this->known[$path])) {
            return $this->known[$path];
        }
        $rings = [];
        foreach (array_filter(explode('M', $path)) as $text) {
            $ring = [];
            preg_match_all('/([MLC])([^MLCZ]*)/', "M$text", $commands, PREG_SET_ORDER);
            foreach ($commands as [, $command, $body]) {
                $n = array_map(floatval(...), preg_split('/[ ,]+/', trim($body)) ?: []);
                if ($command !== 'C') {
                    $ring[] = [$n[0], $n[1]];

                    continue;
                }
                [$ax, $ay] = $ring[count($ring) - 1];
                for ($k = 1; $k <= 8; $k++) {
                    [$t, $u] = [$k / 8, 1 - $k / 8];
                    $ring[] = [
                        $u ** 3 * $ax + 3 * $u * $u * $t * $n[0] + 3 * $u * $t * $t * $n[2] + $t ** 3 * $n[4],
                        $u ** 3 * $ay + 3 * $u * $u * $t * $n[1] + 3 * $u * $t * $t * $n[3] + $t ** 3 * $n[5],
                    ];
                }
            }
            $rings[] = $ring;
        }

        return $this->known[$path] = $rings;
    }
}
