<?php

declare(strict_types=1);

namespace Tests\Feature;

use Somatrace\Core\Clinic;
use Tests\TestCase;

/** The drawn figure against the atlas: what is known is drawn, where it lies, and nothing else is. */
final class FigureTest extends TestCase
{
    /** @var array<string, array<string, mixed>> */
    private array $views;

    protected function setUp(): void
    {
        parent::setUp();
        $this->views = json_decode((string) file_get_contents(base_path('resources/js/chart/figure.generated.json')), true)['views'];
    }

    public function test_every_muscle_and_zone_has_a_shape_on_some_view_and_no_shape_is_unknown(): void
    {
        $atlas = app(Clinic::class)->atlas;

        self::assertEqualsCanonicalizing(array_keys($atlas->muscles), $this->drawn('muscles'));
        self::assertEqualsCanonicalizing(array_keys($atlas->zones), $this->drawn('zones'));
    }

    public function test_a_muscle_is_drawn_in_the_layer_where_it_lies_and_once_a_view(): void
    {
        $atlas = app(Clinic::class)->atlas;
        foreach ($this->views as $view => $drawn) {
            $ids = array_column($drawn['muscles'], 'id');
            self::assertSame($ids, array_unique($ids), $view);
            foreach ($drawn['muscles'] as $shape) {
                self::assertSame($atlas->muscle($shape['id'])->layer, $shape['layer'], "$view, {$shape['id']}");
            }
        }
    }

    public function test_a_muscle_is_drawn_over_or_beside_the_zones_it_lies_under(): void
    {
        $atlas = app(Clinic::class)->atlas;
        foreach ($this->views as $view => $drawn) {
            foreach ($drawn['muscles'] as $shape) {
                $zone = $this->nearestZone($drawn['zones'], $shape['c']);
                $muscle = $atlas->muscle($shape['id']);
                $near = array_merge($muscle->everyZone(), ...array_map(static fn (string $id): array => $atlas->zone($id)->neighbours, $muscle->everyZone()));
                self::assertContains($zone, $near, "$view: the middle of {$shape['id']} lies under $zone");
            }
        }
    }

    public function test_half_a_body_is_drawn_and_what_lies_in_it_stays_in_it(): void
    {
        foreach ($this->views as $view => $drawn) {
            foreach ([...$drawn['muscles'], ...$drawn['zones']] as $shape) {
                preg_match_all('/[ML](-?[\d.]+) (-?[\d.]+)/', $shape['d'], $points);
                self::assertGreaterThan(-3, min(array_map(floatval(...), $points[1])), "$view, {$shape['id']} crosses the midline");
                self::assertStringNotContainsString('NaN', $shape['d'].($shape['f'] ?? '').($shape['s'] ?? ''), "$view, {$shape['id']}");
            }
        }
    }

    /** @return list<string> */
    private function drawn(string $kind): array
    {
        return array_values(array_unique(array_merge(...array_values(array_map(static fn (array $view): array => array_column($view[$kind], 'id'), $this->views)))));
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
        foreach (array_filter(explode('M', $path)) as $ring) {
            preg_match_all('/(-?[\d.]+) (-?[\d.]+)/', $ring, $at);
            $count = count($at[1]);
            for ($i = 0, $j = $count - 1; $i < $count; $j = $i++) {
                [$xi, $yi, $xj, $yj] = [(float) $at[1][$i], (float) $at[2][$i], (float) $at[1][$j], (float) $at[2][$j]];
                if (($yi > $point[1]) !== ($yj > $point[1]) && $point[0] < ($xj - $xi) * ($point[1] - $yi) / ($yj - $yi) + $xi) {
                    $in = ! $in;
                }
            }
        }

        return $in;
    }
}
