<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\House\Connection;
use App\Http\Resources\SettingsResource;
use App\Settings\ConnectionTrial;
use App\Settings\SettingsDesk;
use App\Settings\SettingsForm;
use App\Settings\TestLetter;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What holds for the whole house. For leads. */
final class SettingsController extends Controller
{
    public function __construct(private readonly SettingsDesk $desk, private readonly SettingsResource $resource)
    {
    }

    public function show(Request $request): JsonResponse
    {
        [$settings, $people] = $this->desk->read($this->technician($request));

        return new JsonResponse($this->resource->of($settings, $people, $this->desk->customersOn()));
    }

    public function update(Request $request): JsonResponse
    {
        $lead = $this->technician($request);
        $this->desk->read($lead);
        /** @var array<string, mixed> $said */
        $said = $request->validate(SettingsForm::rules(), SettingsForm::MESSAGES);
        $this->desk->change($lead, $said);

        return $this->show($request);
    }

    /** Whether a connection works as it stands on the page, kept or not. */
    public function tryOut(Request $request, ConnectionTrial $trial): JsonResponse
    {
        $rules = SettingsForm::rules();
        /** @var array{of: string, kind?: ?string, url?: ?string, directory?: ?string, token?: ?string} $said */
        $said = $request->validate([
            'of' => ['required', 'string', 'max:40'], 'kind' => ['nullable', 'string', 'max:40'],
            'url' => $rules['switches.*.url'], 'directory' => $rules['switches.*.directory'],
            'token' => $rules['switches.*.token'],
        ]);
        $token = trim($said['token'] ?? '');
        $trouble = $trial->trouble(
            $this->technician($request),
            $said['of'],
            new Connection($said['of'], $said['kind'] ?? $said['of'], $said['url'] ?? null, $said['directory'] ?? null),
            $token === '' ? null : $token,
        );

        return new JsonResponse(['isReached' => $trouble === null, 'trouble' => $trouble]);
    }

    /** A letter to whoever asks, to see that letters arrive and whose name they bear. */
    public function letter(Request $request, TestLetter $letter): Response
    {
        $letter->send($this->technician($request));

        return new Response(status: 204);
    }
}
