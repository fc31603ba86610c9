# The command line in a container: see docs/scale.md.
FROM node:20-slim
WORKDIR /dragoman
COPY package.json package-lock.json .npmrc ./
RUN npm ci --omit=dev
COPY . .
RUN node scripts/compile.mjs
ENTRYPOINT ["node", "dist/dragoman.mjs"]
CMD ["batch"]
