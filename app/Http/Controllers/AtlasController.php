<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\AtlasPage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;
use Somatrace\Core\Clinic;

/** The atlas is knowledge, not anybody's record: whoever may sign in may read it. */
final readonly class AtlasController
{
    private const LONGEST = 120;

    public function index(Request $request, AtlasPage $page): Response
    {
        return Inertia::render('Atlas/Index', $page->index($this->asked($request)));
    }

    public function search(Request $request, Clinic $clinic): JsonResponse
    {
        return response()->json($clinic->search()->find($this->asked($request)));
    }

    /** The page of an entry, or the same as data for the sheet beside the work. */
    public function show(Request $request, string $kind, string $id, AtlasPage $page): Response|JsonResponse
    {
        $entry = $page->entry($kind, $id) ?? abort(404);

        return $request->wantsJson() ? response()->json($entry) : Inertia::render('Atlas/Entry', ['entry' => $entry]);
    }

    private function asked(Request $request): string
    {
        return mb_substr(trim((string) $request->string('q')), 0, self::LONGEST);
    }
}
