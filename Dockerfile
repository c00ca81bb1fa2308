# Builds Omsel, then keeps only what runs. docs/RUNNING.md says how it is used.
FROM node:20-bookworm-slim AS build
# Only where no ready-made database module fits this processor: then it is compiled.
RUN apt-get update \
 && apt-get install -y --no-install-recommends python3 make g++ \
 && rm -rf /var/lib/apt/lists/*
WORKDIR /omsel
COPY package.json package-lock.json ./
RUN npm ci --no-audit --no-fund
COPY . .
RUN npm run build && npm prune --omit=dev --no-audit --no-fund

FROM node:20-bookworm-slim
WORKDIR /omsel
COPY --from=build /omsel/package.json /omsel/server.js /omsel/server-env.js ./
COPY --from=build /omsel/bin ./bin
COPY --from=build /omsel/node_modules ./node_modules
COPY --from=build /omsel/build ./build
COPY --from=build /omsel/docs/screenshots ./docs/screenshots
COPY --from=build /omsel/server/store/migrations ./server/store/migrations
ENV NODE_ENV=production OMSEL_DATA=/data HOST=0.0.0.0
RUN mkdir -m 700 /data && chown node:node /data
USER node
VOLUME /data
EXPOSE 4871
HEALTHCHECK --interval=60s --timeout=5s --start-period=20s \
  CMD node -e "fetch('http://127.0.0.1:4870/readyz').then(r => process.exit(Number(!r.ok)), () => process.exit(1))"
CMD ["node", "--max-semi-space-size=8", "server.js"]
