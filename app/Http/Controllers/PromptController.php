<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\RecordingResource;
use App\Models\Origin;
use App\Prompts\NothingToSpeak;
use App\Prompts\PromptDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Jaunty\Core\Prompts\WavFile;

final class PromptController extends Controller
{
    public function __construct(private readonly PromptDesk $desk)
    {
    }

    public function index(Request $request, string $customer, string $prompt): JsonResponse
    {
        return $this->told($request, $customer, $prompt);
    }

    /** The body is the file. */
    public function store(Request $request, string $customer, string $prompt): JsonResponse
    {
        /** @var array{origin?: ?string} $given */
        $given = $request->validate(['origin' => ['nullable', 'in:upload,microphone']]);
        $this->desk->record(
            $this->technician($request)->id,
            $customer,
            $prompt,
            $request->getContent(),
            Origin::from($given['origin'] ?? Origin::Upload->value),
        );

        return $this->told($request, $customer, $prompt, 201);
    }

    public function speak(Request $request, string $customer, string $prompt): JsonResponse
    {
        try {
            $this->desk->speak($this->technician($request)->id, $customer, $prompt);
        } catch (NothingToSpeak $fault) {
            throw ValidationException::withMessages(['script' => $fault->getMessage()]);
        }

        return $this->told($request, $customer, $prompt, 201);
    }

    public function useAgain(Request $request, string $customer, string $prompt, int $no): JsonResponse
    {
        $this->desk->useAgain($this->technician($request)->id, $customer, $prompt, $no);

        return $this->told($request, $customer, $prompt);
    }

    /** As the switch plays it; with ?as=pcm as every browser does. */
    public function audio(Request $request, string $customer, string $prompt, int $no): Response
    {
        $wav = $this->desk->wav($this->technician($request)->id, $customer, $prompt, $no);

        return new Response($request->query('as') === 'pcm' ? WavFile::read($wav)->asPcm() : $wav, 200, [
            'Content-Type' => 'audio/wav',
            'Content-Disposition' => "inline; filename=\"{$prompt}-{$no}.wav\"",
            'Cache-Control' => 'private, max-age=3600',
        ]);
    }

    private function told(Request $request, string $customer, string $prompt, int $status = 200): JsonResponse
    {
        [$found, $recordings] = $this->desk->recorded($this->technician($request)->id, $customer, $prompt);

        return new JsonResponse(['recordings' => RecordingResource::all($found, $recordings)], $status);
    }
}
