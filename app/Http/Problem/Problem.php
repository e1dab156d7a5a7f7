<?php

declare(strict_types=1);

namespace App\Http\Problem;

use Illuminate\Http\JsonResponse;

/**
 * Problem details: what went wrong, in words for the person, and which fields it is about.
 *
 * @see https://www.rfc-editor.org/rfc/rfc9457 (RFC 9457)
 */
final readonly class Problem
{
    /**
     * @param  list<FieldFault>  $errors
     * @param  array<string, mixed>  $more  extension members
     * @param  array<string, string>  $headers
     */
    public function __construct(
        public int $status,
        public string $name,
        public string $title,
        public string $detail,
        public array $errors = [],
        public array $more = [],
        public array $headers = [],
    ) {
    }

    public function toResponse(): JsonResponse
    {
        $body = [
            'type' => "urn:jaunty-roster:problem:{$this->name}",
            'title' => $this->title,
            'status' => $this->status,
            'detail' => $this->detail,
        ];
        if ($this->errors !== []) {
            $body['errors'] = array_map(static fn (FieldFault $fault): array => $fault->toArray(), $this->errors);
        }

        return new JsonResponse(
            $body + $this->more,
            $this->status,
            ['Content-Type' => 'application/problem+json'] + $this->headers,
        );
    }
}
