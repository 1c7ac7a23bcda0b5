<?php

declare(strict_types=1);

namespace App\Support;

use Dompdf\Dompdf;
use Illuminate\Contracts\View\Factory;

/** Makes a PDF of a view, in the type of the pages; nothing is fetched and nothing is run. */
final readonly class Paper
{
    /** Of each family the files by weight and style; what the first has no letter for is taken from the next. */
    private const TYPE = [
        'atkinson' => ['atkinson-hyperlegible-next-latin', ['normal' => '400-normal', 'bold' => '700-normal', 'italic' => '400-italic']],
        'atkinson ext' => [
            'atkinson-hyperlegible-next-latin-ext', ['normal' => '400-normal', 'bold' => '700-normal', 'italic' => '400-italic'],
        ],
        'piazzolla' => ['piazzolla-latin', ['normal' => '600-normal', 'bold' => '600-normal']],
        'piazzolla ext' => ['piazzolla-latin-ext', ['normal' => '600-normal', 'bold' => '600-normal']],
    ];

    public function __construct(private Factory $views)
    {
    }

    /**
     * @param  view-string  $view
     * @param  array<string, mixed>  $data
     */
    public function pdf(string $view, array $data): string
    {
        // beside what the framework keeps there, which is cleared now and then
        $cache = storage_path('framework/cache/data/paper');
        is_dir($cache) || @mkdir($cache, 0o770, true);
        $pdf = new Dompdf([
            'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'defaultFont' => 'atkinson', 'tempDir' => $cache, 'fontDir' => $cache,
            'fontCache' => $cache, 'chroot' => [resource_path(), $cache], 'isFontSubsettingEnabled' => true,
        ]);
        $this->register($pdf, $cache);
        $pdf->loadHtml($this->views->make($view, $data)->render(), 'UTF-8');
        $pdf->setPaper('A4');
        $pdf->render();

        return (string) $pdf->output();
    }

    /** The first paper unpacks the type and writes down where it lies: one at a time. */
    private function register(Dompdf $pdf, string $cache): void
    {
        $lock = fopen("$cache/lock", 'c');
        if ($lock === false || ! flock($lock, LOCK_EX)) {
            throw new \RuntimeException('The type of the papers cannot be written.');
        }
        foreach (self::TYPE as $family => [$file, $styles]) {
            foreach ($styles as $style => $weight) {
                $pdf->getFontMetrics()->registerFont([
                    'family' => $family, 'weight' => $style === 'bold' ? 'bold' : 'normal',
                    'style' => $style === 'italic' ? 'italic' : 'normal',
                ], 'file://'.resource_path("fonts/$file-$weight.ttf"));
            }
        }
        fclose($lock);
    }
}
