<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\LetterPage;
use App\Models\Visit;
use Dompdf\Dompdf;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response as Page;

final readonly class LetterController
{
    public function show(Visit $visit, LetterPage $page): Page
    {
        Gate::authorize('view', $visit);

        return Inertia::render('Visit/Letter', $page->of($visit));
    }

    public function pdf(Visit $visit, LetterPage $page): Response
    {
        Gate::authorize('view', $visit);
        $pdf = new Dompdf(['isRemoteEnabled' => false, 'isPhpEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'tempDir' => storage_path('framework/cache'), 'fontCache' => storage_path('framework/cache')]);
        $pdf->loadHtml('<html><body style="font-family: DejaVu Sans; font-size: 11pt; line-height: 1.5; margin: 1.5cm"><div>'.nl2br(e($page->text($visit))).'</div></body></html>', 'UTF-8');
        $pdf->setPaper('A4');
        $pdf->render();

        return response((string) $pdf->output(), 200, [
            'Content-Type' => 'application/pdf', 'Content-Disposition' => 'attachment; filename="letter-'.$visit->client->code.'.pdf"', 'Cache-Control' => 'no-store',
        ]);
    }
}
