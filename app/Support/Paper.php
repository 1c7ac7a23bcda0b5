<?php

declare(strict_types=1);

namespace App\Support;

use Dompdf\Dompdf;

/** Makes a PDF from simple HTML; nothing is fetched and nothing is run. */
final readonly class Paper
{
    public function pdf(string $html): string
    {
        $cache = storage_path('framework/cache');
        $pdf = new Dompdf([
            'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'tempDir' => $cache, 'fontCache' => $cache,
        ]);
        $pdf->loadHtml(
            '<html><body style="font-family: DejaVu Sans; font-size: 9.5pt; line-height: 1.35; margin: 0.4cm">'.$html.'</body></html>',
            'UTF-8',
        );
        $pdf->setPaper('A4');
        $pdf->render();

        return (string) $pdf->output();
    }
}
